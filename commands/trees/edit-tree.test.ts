import { v7 } from 'uuid';
import { doneBy, NOW, ownCompany, pathsOf } from '@/commands/testing';
import { treeOf } from '@/facts/tree';
import type { Quote } from '@/core/quotes/quote';
import { loadViewer } from '@/store/auth';
import { insertQuote, sharedQuote, treeQuotes } from '@/store/quotes';
import { makeCompany } from '@/store/testing';
import { archiveTree } from './archive-tree';
import { editTree } from './edit-tree';
import { settleChange } from './settle-change';
import { cancelQuote } from './cancel-quote';

const made = ownCompany();
const tree = async () => (await treeOf(made.viewer, made.o.treeId, NOW))!;
const form = async (more: object = {}) => {
  const now = await tree();
  return {
    id: now.id,
    tag: now.tag,
    hostId: now.hostId,
    species: '',
    note: now.note,
    walkOrder: String(now.walkOrder),
    lat: '',
    lon: '',
    variety: '',
    eaten: null,
    basedOn: now.version,
    ...more,
  };
};

describe('what stands of a tree', () => {
  it('is changed by who saw what stands; who did not is told what does, and nothing is lost', async () => {
    const mine = await form({ tag: 'T7', note: 'by the gate', lat: '51,2', lon: '0.4' });
    const theirs = await form({ tag: 'T8' });
    expect(await doneBy(editTree, made.viewer, mine)).toMatchObject({ ok: true });
    expect(await tree()).toMatchObject({ tag: 'T7', note: 'by the gate', lat: 51.2, lon: 0.4 });
    const late = await doneBy(editTree, made.viewer, theirs);
    expect(pathsOf(late)).toEqual(expect.arrayContaining(['version', 'tag', 'note']));
    expect(await tree()).toMatchObject({ tag: 'T7' });
    // Sent again on what stands now, it goes over it.
    expect(await doneBy(editTree, made.viewer, await form({ tag: 'T8', note: 'by the gate' }))).toMatchObject({
      ok: true,
    });
    expect((await tree()).tag).toBe('T8');
  });
  it.each([
    ['no tag', { tag: ' ' }, ['tag']],
    ['a host that nobody knows', { hostId: 'triffid' }, ['hostId']],
    ['half a position', { lat: '51.2', lon: '' }, ['lon']],
    ['a place beyond the pole', { lat: '97', lon: '0' }, ['lat']],
    ['an order between two', { walkOrder: '1.5' }, ['walkOrder']],
    ['an order in words', { walkOrder: 'first' }, ['walkOrder']],
  ])('with %s is refused beside its field, and nothing is written', async (_, more, at) => {
    const before = await tree();
    expect(pathsOf(await doneBy(editTree, made.viewer, await form(more)))).toEqual(at);
    expect(await tree()).toEqual(before);
  });
  it('is nothing to another company, neither changed nor laid away', async () => {
    const other = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await doneBy(editTree, other, await form({ tag: 'X' }))).toMatchObject({ ok: false });
    expect(await doneBy(archiveTree, other, { id: made.o.treeId, archived: true })).toMatchObject({ ok: false });
    expect((await tree()).tag).toBe('T8');
  });
});

it('a tree that is gone is laid away with its book, and comes back as it was', async () => {
  const before = await tree();
  expect(await doneBy(archiveTree, made.viewer, { id: made.o.treeId, archived: true })).toMatchObject({ ok: true });
  expect((await tree()).archivedAt).not.toBeNull();
  expect(await doneBy(archiveTree, made.viewer, { id: made.o.treeId, archived: false })).toMatchObject({ ok: true });
  expect({ ...(await tree()), version: 0 }).toEqual({ ...before, version: 0 });
  expect(await doneBy(archiveTree, made.viewer, { id: v7(), archived: true })).toMatchObject({ ok: false });
});

it('what was found while digging is settled once, with who agreed and how', async () => {
  const id = v7();
  await made.owner`insert into plan_change (id, company_id, tree_id, inspection_id, what, by_person)
    select ${id}, company_id, tree_id, id, 'a root to be cut', by_person from inspection where tree_id = ${made.o.treeId} limit 1`;
  expect(pathsOf(await doneBy(settleChange, made.viewer, { id, approved: true, how: '' }))).toEqual(['how']);
  const yes = { id, approved: true, how: 'the client, on the telephone' };
  expect(await doneBy(settleChange, made.viewer, yes)).toMatchObject({ ok: true });
  expect(await doneBy(settleChange, made.viewer, { ...yes, approved: false })).toMatchObject({ ok: false });
  const [row] = await made.owner`select state, settled_how as how from plan_change where id = ${id}`;
  expect(row).toEqual({ state: 'approved', how: 'the client, on the telephone' });
});

it('an offer that was taken back opens for nobody, and is taken back once', async () => {
  const id = v7();
  const token = await insertQuote(made.viewer, {
    id,
    days: 30,
    treeId: made.o.treeId,
    data: { message: 'for spring', options: [] } as unknown as Quote,
  });
  expect(await sharedQuote(token)).not.toBeNull();
  const other = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await doneBy(cancelQuote, other, { id })).toMatchObject({ ok: false });
  expect(await doneBy(cancelQuote, made.viewer, { id })).toMatchObject({ ok: true });
  expect(await doneBy(cancelQuote, made.viewer, { id })).toMatchObject({ ok: false });
  const shared = await sharedQuote(token);
  expect(shared === null || (shared as { revokedAt?: Date | null }).revokedAt !== null).toBe(true);
  expect((await treeQuotes(made.viewer, made.o.treeId)).find((p) => p.id === id)!.revokedAt).not.toBeNull();
});
