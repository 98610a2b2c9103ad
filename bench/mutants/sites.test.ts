import { mutated, mutationsOf } from './sites';

const made = (text: string) => mutationsOf('x.ts', text).map((m) => [m.kind, mutated(text, m)]);

it.each([
  ['a turned equality', 'if (a === b) f();', 'condition turned', 'if (a !== b) f();'],
  ['a turned join', 'const x = a && b;', 'condition turned', 'const x = a || b;'],
  ['a denial taken away', 'if (!a) f();', 'condition turned', 'if (a) f();'],
  ['a bound that lets one more in', 'return a < b;', 'bound moved', 'return a <= b;'],
  ['a bound that keeps one out', 'return a >= b;', 'bound moved', 'return a > b;'],
  ['a factor dropped', 'const x = (a + b) * c;', 'term dropped', 'const x = (a + b);'],
  ['a power of ten', 'const x = f(100);', 'unit swapped', 'const x = f(1000);'],
  ['a unit', "f('cm');", 'unit swapped', "f('in');"],
])('%s', (_, text, kind, expected) => expect(made(text)).toContainEqual([kind, expected]));

it.each([
  ['a type', "type Unit = 'cm' | 'in'; interface A { b: 10 }"],
  ['the path of an import', "import { x } from 'm';"],
  ['a sentence', "const x = 'Take ' + amount + ' of it';"],
  ['a figure that is no power of ten', 'const x = 7;'],
])('%s is left as it is', (_, text) => expect(made(text)).toEqual([]));
