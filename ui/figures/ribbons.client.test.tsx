/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Ribbons } from './ribbons.client';
import { ROW, type InHand, type YearRow } from './year';

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  globalThis.matchMedia = () =>
    ({ matches: false, addEventListener: () => {}, removeEventListener: () => {} }) as unknown as MediaQueryList;
  Element.prototype.setPointerCapture = () => {};
  // A pointer is a mouse with a number.
  globalThis.PointerEvent = class extends MouseEvent {
    readonly pointerId: number;
    constructor(type: string, init: PointerEventInit = {}) {
      super(type, init);
      this.pointerId = init.pointerId ?? 0;
    }
  } as unknown as typeof PointerEvent;
});

const rows: YearRow[] = Array.from({ length: 300 }, (_, i) => ({
  id: `r${i}`,
  label: `Tree ${i}`,
  bands: [],
  marks: [
    {
      id: `m${i}`,
      day: '2027-06-15',
      earliest: '2027-06-01',
      latest: '2027-06-30',
      tone: 'visit',
      words: `visit ${i}`,
      movable: i % 2 === 0,
    },
  ],
}));
const said: string[] = [];
function Shown({ all = rows }: { all?: YearRow[] }) {
  const [inHand, setInHand] = useState<InHand | null>(null);
  return (
    <>
      <Ribbons
        rows={all}
        kind="low"
        days={[]}
        fits={[]}
        today="2027-06-01"
        loaded={{ from: '2026-01-01', to: '2028-12-31' }}
        shown={{ from: '2027-01-01', to: '2027-12-31' }}
        label="The year"
        inHand={inHand}
        onHand={(m) => setInHand(m ? { id: m.id!, day: m.day } : null)}
        onDrag={(day) => {
          said.push(day);
          setInHand((h) => h && { ...h, day });
        }}
      />
      <output>{inHand ? `${inHand.id} ${inHand.day}` : 'nothing'}</output>
    </>
  );
}
const figure = () => screen.getByRole('group', { name: 'The year' });
const words = () => [...figure().querySelectorAll('text')].map((t) => t.textContent);
const hand = () => screen.getByRole('status').textContent;
/** As wide as it is drawn before it is laid out; rows begin where the box does. */
const X = (day: string) => ((Date.parse(day) + 432e5 - Date.parse('2027-01-01')) / (365 * 864e5)) * 724;
const at = (x: number, row: number) => ({
  clientX: x,
  clientY: row * ROW.low + 20,
  pointerId: 1,
  pointerType: 'mouse',
  button: 0,
});

beforeEach(() => (said.length = 0));

it('draws of many rows those that can be seen', () => {
  render(<Shown />);
  const drawn = words().filter((w) => w!.startsWith('Tree'));
  expect(drawn.length).toBeGreaterThan(10);
  expect(drawn.length).toBeLessThan(40);
});

it('keys move it, bring it closer, and take one visit after the other in hand', () => {
  render(<Shown all={rows.slice(0, 3)} />);
  figure().focus();
  expect(words()).toContain('Jul');
  for (let i = 0; i < 9; i++) fireEvent.keyDown(figure(), { key: '+' });
  expect(words().some((w) => /^\w{3} \d+$/.test(w!))).toBe(true);
  fireEvent.keyDown(figure(), { key: 'Home' });
  expect(words()).toContain('Tue 1');
  fireEvent.keyDown(figure(), { key: 'ArrowRight' });
  for (let i = 0; i < 9; i++) fireEvent.keyDown(figure(), { key: '-' });
  fireEvent.keyDown(figure(), { key: 'ArrowDown' });
  expect(hand()).toBe('m0 2027-06-15');
  fireEvent.keyDown(figure(), { key: 'ArrowDown' });
  expect(hand()).toBe('m1 2027-06-15');
  fireEvent.keyDown(figure(), { key: 'ArrowUp' });
  fireEvent.keyDown(figure(), { key: 'ArrowUp' });
  expect(hand()).toBe('m2 2027-06-15');
  fireEvent.keyDown(figure(), { key: 'Escape' });
  expect(hand()).toBe('nothing');
});

it('a press takes the nearest visit of its row in hand, a drag holds it over another day, and what may not be moved stays', () => {
  render(<Shown />);
  fireEvent.pointerDown(figure(), at(X('2027-06-15') + 6, 2));
  expect(hand()).toBe('m2 2027-06-15');
  fireEvent.pointerMove(figure(), at(X('2027-06-15') + 6 + 40, 2));
  fireEvent.pointerUp(figure(), at(X('2027-06-15') + 46, 2));
  expect(hand()).toMatch(/^m2 2027-07-0[45]$/);
  // Where it is held now, it is taken up again.
  fireEvent.pointerDown(figure(), at(X('2027-07-05'), 2));
  expect(hand()).toMatch(/^m2 2027-07-0[45]$/);
  fireEvent.pointerUp(figure(), at(X('2027-07-05'), 2));
  said.length = 0;
  fireEvent.pointerDown(figure(), at(X('2027-06-15'), 1));
  fireEvent.pointerMove(figure(), at(X('2027-06-15') + 60, 1));
  expect(hand()).toBe('m1 2027-06-15');
  expect(said).toEqual([]);
});

it('a drag on the ground moves the span, two fingers bring it closer', () => {
  render(<Shown all={rows.slice(0, 2)} />);
  const before = words();
  fireEvent.pointerDown(figure(), at(500, 9));
  fireEvent.pointerMove(figure(), at(200, 9));
  fireEvent.pointerUp(figure(), at(200, 9));
  expect(words()).not.toEqual(before);
  fireEvent.pointerDown(figure(), { ...at(300, 9), pointerId: 1 });
  fireEvent.pointerDown(figure(), { ...at(400, 9), pointerId: 2 });
  for (const x of [420, 500, 600, 700]) fireEvent.pointerMove(figure(), { ...at(x, 9), pointerId: 2 });
  expect(words().some((w) => /^\w{3} \d+$/.test(w!) || /^\d+ \w{3}$/.test(w!))).toBe(true);
});

it('tells of a row that has nothing here which way it lies', () => {
  const far = {
    ...rows[0]!,
    marks: [{ ...rows[0]!.marks[0]!, day: '2028-02-03', earliest: '2028-02-03', latest: '2028-02-03' }],
  };
  render(<Shown all={[far]} />);
  expect(words()).toContain('3 Feb 2028 ▸');
});
