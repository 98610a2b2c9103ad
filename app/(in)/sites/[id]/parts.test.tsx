import { renderToStaticMarkup } from 'react-dom/server';
import { textOf } from '@/ui/testing';
import { shipped } from '@/knowledge';
import { Alarms, OnArrival, SiteTag } from './parts';

type Place = Parameters<typeof OnArrival>[0]['place'];
const place = (of: object = {}) =>
  ({
    name: 'Quay Avenue',
    clientName: 'The town',
    areaM2: 6200,
    soilTexture: 'loam',
    waterM: null,
    outline: null,
    hours: [],
    access: 'From the quay',
    hazards: '',
    dogs: 'One, loose',
    notes: '',
    ...of,
  }) as unknown as Place;

it('a gate code is shown to those who go there, and to nobody else', () => {
  expect(textOf(<OnArrival place={place()} code="4711" mayCode />)).toContain('Gate code 4711');
  const other = textOf(<OnArrival place={place()} code={null} mayCode={false} />);
  expect(other).not.toContain('4711');
  expect(other).toContain('Gate codes are shown to those who go there.');
});

it('what is empty is left out, what is known before one comes is told', () => {
  const told = textOf(<OnArrival place={place()} code="" mayCode />);
  expect(told).toContain('Dogs One, loose');
  expect(told).not.toMatch(/Hazards|Notes|Gate code \d/);
});

it.each([
  [null, 'not said'],
  [-1, 'none near'],
  [15, '15 m'],
])('water at %p is told as %s', (waterM, words) =>
  expect(textOf(<SiteTag place={place({ waterM })} units="metric" />)).toContain(`Water ${words}`),
);

it('a tree to report is told to be left uncut, a danger once however many signs show it', () => {
  const [condition] = shipped.conditions;
  const alarms = [
    { treeId: 'a', tag: '7', report: condition!.id, signs: [] },
    { treeId: 'b', tag: '8', report: null, signs: ['crack', 'crack', 'lean'] },
  ];
  const dangers = new Map([
    ['crack', 'a crack opens'],
    ['lean', 'it leans'],
  ]);
  const told = textOf(<Alarms alarms={alarms as never} dangers={dangers as never} knowledge={shipped} />);
  expect(told).toContain(`7 Report first, cut and move nothing: ${condition!.name}.`);
  expect(told).toContain('8 Keep clear: a crack opens. Keep clear: it leans.');
  expect(told.match(/a crack opens/g)).toHaveLength(1);
  expect(renderToStaticMarkup(<Alarms alarms={[]} dangers={dangers as never} knowledge={shipped} />)).toBe('');
});
