import { givesReason } from './reason';
import { reasonSchema } from './reason-schema';

it.each([
  ['Wet', false],
  ['  ok  ', false],
  ['Rain', true],
  ['  Rain ', true],
  ['', false],
  [undefined, false],
])('“%s” gives a reason: %p; what is judged before it is sent is judged alike where it is kept', (text, given) => {
  expect(givesReason(text)).toBe(given);
  expect(reasonSchema('Say why.', 20).safeParse(text).success).toBe(given);
});

it('keeps a reason without the blanks around it, and says how long it may be', () => {
  const schema = reasonSchema('Say why.', 6);
  expect(schema.parse('  Rain ')).toBe('Rain');
  expect(schema.safeParse('').error!.issues[0]!.message).toBe('Say why.');
  expect(schema.safeParse('Too wet').error!.issues[0]!.message).toBe('At most 6 characters.');
});
