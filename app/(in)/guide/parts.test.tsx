/** @jest-environment jsdom */
import { render, screen, within } from '@testing-library/react';
import { shipped } from '@/knowledge';
import { FindForm, FoundConditions, LookalikeTable } from './parts';

const value = (name: string) => (screen.getByLabelText(name) as HTMLSelectElement).value;

it('the form keeps what was looked for', () => {
  render(<FindForm knowledge={shipped} find="sticky" host="wych-elm" place="trunk" month="6" />);
  expect([value('A word: a sign, a pest, a host'), value('Host'), value('Place on the tree'), value('Month')]).toEqual([
    'sticky',
    'wych-elm',
    'trunk',
    '6',
  ]);
  expect(within(screen.getByLabelText('Month')).getAllByRole('option')).toHaveLength(13);
});

it('the form of somebody who has looked for nothing asks for everything', () => {
  render(<FindForm knowledge={shipped} find={undefined} host={undefined} place={undefined} month={undefined} />);
  expect([value('Host'), value('Place on the tree'), value('Month')]).toEqual(['', '', '']);
});

it('every look-alike of a table is named and leads to its page', () => {
  for (const table of shipped.lookalikes) {
    const { unmount } = render(<LookalikeTable table={table} conditions={shipped.conditions} />);
    const links = screen.getAllByRole('link').map((a) => [a.textContent, a.getAttribute('href')]);
    expect(links).toEqual(
      table.rows.map((r) => [shipped.conditions.find((c) => c.id === r.condition)!.name, `/guide/${r.condition}`]),
    );
    unmount();
  }
});

it('what may have to be reported says so in the list', () => {
  const report = shipped.conditions.find((c) => c.reportable)!;
  const not = shipped.conditions.find((c) => !c.reportable)!;
  render(<FoundConditions conditions={[report, not]} />);
  const [first, second] = screen.getAllByRole('listitem');
  expect(first!.textContent).toContain('may have to be reported');
  expect(second!.textContent).not.toContain('may have to be reported');
});
