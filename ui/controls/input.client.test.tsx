/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { Choices, SelectField, TextArea, TextField, Checkbox } from './controls';

const UNITS = [
  { value: 'cm', name: 'cm' },
  { value: 'in', name: 'in' },
  { value: 'ft', name: 'ft' },
];

function Form({ unit: first = 'in' }: { unit?: string }) {
  const [form, setForm] = useState({ girth: '145', note: '', unit: first, soil: 'moist', clear: false });
  const set = (change: Partial<typeof form>) => setForm((was) => ({ ...was, ...change }));
  return (
    <form>
      <TextField label="Girth" path="girth" value={form.girth} onChange={(girth) => set({ girth })} />
      <TextArea label="Note" path="note" value={form.note} onChange={(note) => set({ note })} />
      <SelectField label="Unit" path="unit" value={form.unit} onChange={(unit) => set({ unit })} options={UNITS} />
      <Choices
        label="Soil"
        value={form.soil}
        onChange={(soil) => set({ soil })}
        options={[
          { value: 'dry', name: 'Dry' },
          { value: 'moist', name: 'Moist' },
        ]}
      />
      <Checkbox checked={form.clear} onChange={(clear) => set({ clear })}>
        Clear of wires
      </Checkbox>
      <output>{JSON.stringify(form)}</output>
    </form>
  );
}

const page = document.body;
let root: Root | null = null;
/** What the server sent, changed by hand before the scripts have come, and then hydrated. */
async function hydrated(form: React.ReactNode, byHand: () => void) {
  const sent = page.appendChild(document.createElement('main'));
  sent.innerHTML = renderToString(form);
  byHand();
  await act(async () => void (root = hydrateRoot(sent, form)));
}
const inState = () => JSON.parse(screen.getByRole('status').textContent!) as Record<string, unknown>;
const select = () => screen.getByLabelText<HTMLSelectElement>('Unit');

afterEach(() => {
  act(() => root?.unmount());
  root = null;
  cleanup();
  page.replaceChildren();
});

it('what was typed, picked and ticked before the page was hydrated is what the page knows', async () => {
  await hydrated(<Form />, () => {
    screen.getByLabelText<HTMLInputElement>('Girth').value = '154';
    screen.getByLabelText<HTMLTextAreaElement>('Note').value = 'Leans.';
    select().value = 'ft';
    screen.getByLabelText<HTMLInputElement>('Dry').checked = true;
    screen.getByLabelText<HTMLInputElement>('Clear of wires').checked = true;
  });
  expect(inState()).toEqual({ girth: '154', note: 'Leans.', unit: 'ft', soil: 'dry', clear: true });
});

it('an untouched page stays as the server sent it', async () => {
  await hydrated(<Form />, () => {});
  expect(inState()).toEqual({ girth: '145', note: '', unit: 'in', soil: 'moist', clear: false });
});

it('a value that is not among the options is not replaced by the first of them, sent or drawn here', async () => {
  await hydrated(<Form unit="rods" />, () => {});
  expect(inState().unit).toBe('rods');
  act(() => root!.unmount());
  page.replaceChildren();
  render(<Form unit="rods" />);
  expect(inState().unit).toBe('rods');
});

it('changes after hydration go on from the early ones', async () => {
  await hydrated(<Form />, () => (select().value = 'ft'));
  await userEvent.selectOptions(select(), 'cm');
  await userEvent.type(screen.getByLabelText('Girth'), '5');
  expect(inState()).toMatchObject({ unit: 'cm', girth: '1455' });
});
