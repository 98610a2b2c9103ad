/** @jest-environment jsdom */
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Choices, FormIssues, SelectField, TextField } from './controls';

// What every browser has and jsdom lacks.
beforeAll(() => void Object.assign(globalThis, { CSS: { escape: (s: string) => s.replace(/[^\w-]/g, '\\$&') } }));

const issues = [
  { path: 'girth', message: 'The girth is missing.' },
  { path: 'elsewhere', message: 'Something else is wrong.' },
];

it('a field is told with its fault and its hint, and says that it is wrong', () => {
  render(
    <TextField label="Girth" path="girth" issues={issues} hint="At breast height." value="" onChange={() => {}} />,
  );
  const field = screen.getByLabelText('Girth');
  expect(field.getAttribute('aria-invalid')).toBe('true');
  const described = field
    .getAttribute('aria-describedby')!
    .split(' ')
    .map((id) => document.getElementById(id)?.textContent);
  expect(described).toEqual(['The girth is missing.', 'At breast height.']);
});

it('a field that is right is described by its hint alone, and by nothing where there is none', () => {
  render(<TextField label="Height" path="height" issues={issues} hint="To the tip." value="" onChange={() => {}} />);
  const field = screen.getByLabelText('Height');
  expect(field.getAttribute('aria-invalid')).toBe('false');
  expect(document.getElementById(field.getAttribute('aria-describedby')!)?.textContent).toBe('To the tip.');
  render(<TextField label="Note" path="note" value="" onChange={() => {}} />);
  expect(screen.getByLabelText('Note').hasAttribute('aria-describedby')).toBe(false);
});

it('faults that belong to no field of the form stand above it; those of a field stand there', () => {
  render(<FormIssues issues={issues} known={['girth']} />);
  expect(screen.getByRole('alert').textContent).toContain('Something else is wrong.');
  expect(screen.getByRole('alert').textContent).not.toContain('The girth is missing.');
});

it('choices and lists are worked by keys alone', async () => {
  const user = userEvent.setup();
  function Form() {
    const [unit, setUnit] = useState<'cm' | 'in' | null>(null);
    const [host, setHost] = useState('');
    return (
      <>
        <Choices
          label="Unit"
          value={unit}
          onChange={setUnit}
          options={[
            { value: 'cm', name: 'cm' },
            { value: 'in', name: 'in' },
          ]}
        />
        <SelectField
          label="Host"
          path="host"
          value={host}
          onChange={setHost}
          options={[
            { value: '', name: 'choose …' },
            { value: 'elm', name: 'Elm' },
          ]}
        />
        <output>{`${unit} ${host}`}</output>
      </>
    );
  }
  render(<Form />);
  await user.tab();
  await user.keyboard(' ');
  await user.keyboard('{ArrowRight}');
  await user.selectOptions(screen.getByLabelText('Host'), 'Elm');
  expect(screen.getByRole('status').textContent).toBe('in elm');
});
