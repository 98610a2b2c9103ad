import { v7 } from 'uuid';
import { ownCompany } from '@/commands/testing';
import { insertQuote, cancelQuoteRow, sharedQuote } from '@/store/quotes';
import { answerQuote } from './answer-offer';

const made = ownCompany();
const offered = (id = v7()) =>
  insertQuote(made.o, {
    id,
    treeId: made.o.treeId,
    days: 3,
    data: { options: [{ key: 'a' }, { key: 'b' }], changes: [] } as never,
  });
const answer = (token: string, more: object = {}) => answerQuote({ token, options: ['b'], who: 'A. Client', ...more });

it('takes the first answer, and says of a second that there is one', async () => {
  const token = await offered();
  expect(await answer(token)).toEqual({ ok: true, value: null });
  expect(await answer(token, { options: [] })).toMatchObject({
    ok: false,
    issues: [{ message: expect.stringMatching(/answered already/) }],
  });
  expect((await sharedQuote(token))!.answer!.options).toEqual(['b']);
});

it('refuses a way that was not offered, beside its field, and keeps nothing', async () => {
  const token = await offered();
  expect(await answer(token, { options: ['x'] })).toMatchObject({ ok: false, issues: [{ path: 'options' }] });
  expect((await sharedQuote(token))!.answer).toBeNull();
});

it.each([
  ['no name', { who: ' ' }, 'who'],
  ['a name of four hundred signs', { who: 'x'.repeat(400) }, 'who'],
  ['more than anybody can be offered', { options: Array(61).fill('a') }, 'options'],
  ['what is no id of a change', { changes: ['1'] }, 'changes.0'],
  ['a field that nobody asked for', { companyId: v7() }, ''],
])('%s is a fault with its place', async (_, more, path) => {
  const token = await offered();
  expect(await answer(token, more)).toMatchObject({ ok: false, issues: [{ path }] });
  expect((await sharedQuote(token))!.answer).toBeNull();
});

it('an offer taken back, an address made up and one that is no text are told apart from nothing', async () => {
  const id = v7();
  const token = await offered(id);
  await cancelQuoteRow(made.o, id);
  for (const t of [token, 'made-up-address-of-nobody'])
    expect(await answer(t)).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringMatching(/run out or was taken back/) }],
    });
  expect(await answer(7 as never)).toMatchObject({ ok: false, issues: [{ path: 'token' }] });
});
