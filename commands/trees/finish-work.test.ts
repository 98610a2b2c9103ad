import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { doneBy, NOW, measuredFirst, ownCompany } from '@/commands/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { makeCompany } from '@/store/testing';
import { recordsView, doneWorks } from '@/views/records';
import { finishWork } from './finish-work';
import { planWork } from './plan-work';

const made = ownCompany();
measuredFirst(made);
const all = { words: null, siteId: null, method: null, from: null, to: null, after: null, limit: 40 };
async function planned(workId: string, on = '2026-06-01') {
  const id = v7();
  const input = { id, treeId: made.o.treeId, workId, answers: {}, on, released: {} };
  expect(await doneBy(planWork, made.viewer, input)).toMatchObject({ ok: true });
  return id;
}
const finish = (id: string, more: object = {}) =>
  doneBy(finishWork, made.viewer, { id, done: true, note: '', ...more });

it('a work that was carried out stands in the book with who, when, how long and how it went', async () => {
  const id = await planned('mulch');
  const at = '2026-05-31T22:30:00Z';
  const late = { id, done: true, note: 'Two barrows of chips.', minutes: 45, occurredAt: at };
  expect(await perform(finishWork, { viewer: made.viewer, receivedAt: NOW, station: fair }, late)).toMatchObject({
    ok: true,
  });
  const { entries } = await recordsView(made.viewer, all);
  expect(entries).toEqual([
    {
      kind: 'work',
      row: expect.objectContaining({
        id,
        workId: 'mulch',
        tag: 'T1',
        minutes: 45,
        note: 'Two barrows of chips.',
        byName: made.viewer.name,
        // Half past eleven in the evening of the thirty-first, by the zone of the place.
        doneOn: '2026-05-31',
        doneAt: new Date(at),
      }),
    },
  ]);
});

it('it is found by its name, note, tag, place and day, and beside no method but its own', async () => {
  const found = async (f: object) => (await recordsView(made.viewer, { ...all, ...f })).entries.length;
  for (const words of ['mulch', 'barrows', 't1', 'client']) expect([words, await found({ words })]).toEqual([words, 1]);
  expect(await found({ words: 'no such thing' })).toBe(0);
  // Signs that a search pattern would take for any sign are looked for as they are.
  expect(await found({ words: '%' })).toBe(0);
  expect(await found({ siteId: made.o.siteId, from: '2026-05-31', to: '2026-05-31' })).toBe(1);
  expect(await found({ siteId: v7() })).toBe(0);
  expect(await found({ from: '2026-06-01' })).toBe(0);
  expect([await found({ method: 'work' }), await found({ method: 'soil-drench' })]).toEqual([1, 0]);
});

it('pages follow one another without a gap or a double; another company sees none of it', async () => {
  for (let i = 0; i < 5; i++) {
    const id = await planned('mulch', '2026-06-01');
    expect(await finish(id, { minutes: i + 1 })).toMatchObject({ ok: true });
  }
  const ids: string[] = [];
  let after: { doneOn: string; id: string } | null = null;
  for (;;) {
    const rows = await doneWorks(made.viewer, { ...all, limit: 2, after });
    const page = rows.slice(0, 2);
    ids.push(...page.map((w) => w.id));
    if (rows.length <= 2) break;
    after = { doneOn: page.at(-1)!.doneOn, id: page.at(-1)!.id };
  }
  expect(ids).toHaveLength(6);
  expect(new Set(ids).size).toBe(6);
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await doneWorks(theirs, all)).toEqual([]);
});

it.each([
  ['no number', Number.NaN],
  ['half a minute', 0.5],
  ['none', 0],
  ['two days', 2880],
])('%s of minutes is refused beside its field, and the work waits', async (_, minutes) => {
  const id = await planned('mulch');
  expect(await finish(id, { minutes })).toMatchObject({ ok: false, issues: [{ path: 'minutes' }] });
  expect(await finish(id)).toMatchObject({ ok: true });
});

it('what is dropped is not in the book', async () => {
  const before = (await doneWorks(made.viewer, all)).length;
  const id = await planned('mulch');
  expect(await finish(id, { done: false, minutes: 5 })).toMatchObject({ ok: true });
  expect(await doneWorks(made.viewer, all)).toHaveLength(before);
});
