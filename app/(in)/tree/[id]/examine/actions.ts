'use server';

import { v7 } from 'uuid';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import type { Fault } from '@/core/book/write';
import { detailSchema, lookSchema } from '@/core/diagnose/look';
import { findCondition, findHost, findTest, signsFor } from '@/knowledge';
import { addOthersApplied } from '@/store/grounds';
import { addLooks, alikeTrees, answerSample, sendSample, settleChange, withdrawLook } from '@/store/tree';
import { act, done, refuse, type Answer } from '@/app/_server/act';
import { todayOf } from '@/app/_server/viewer';
import { noTree, seen, treeOf } from '../acting';
import { numberAt, putDown } from '@/app/_server/typed';

/** Examining: the key, the signs, the tests, crown and vigour; on one tree, or on a row of trees that look alike. */
export const examine = act('examine', lookSchema, async (v, l): Promise<Answer> => {
  const faults: Fault[] = [];
  const crownLoss = numberAt(
    faults,
    'crownLoss',
    l.crownLoss,
    { name: 'Crown loss', min: 0, max: 100, unit: '%', whole: true },
    true,
  );
  const price = numberAt(faults, 'changePrice', l.changePrice, { name: 'The price', min: 0, max: 1_000_000 }, true);
  if (l.alike.length > 1 && new Set(l.alike.map((a) => a.treeId)).size !== l.alike.length)
    faults.push({ path: 'alike', sentence: 'A tree stands twice in the row.' });
  if (faults.length) return { ok: false, faults };
  const tree = await treeOf(v, l.treeId);
  const host = tree && findHost(tree.hostId);
  if (!tree || !host) return noTree;
  const record = l.detail.check?.recordId;
  if (record && !tree.records.some((r) => r.rootId === record))
    return refuse('detail.check', 'The treatment that this look checks is not in the book of this tree.');
  const known = new Set(signsFor(host).map((s) => s.id));
  const strange = l.findings.findIndex((f) => !known.has(f.sign));
  if (strange >= 0) return refuse(`findings.${strange}`, 'This sign is not in the vocabulary for this host.');
  for (const [i, t] of l.tests.entries())
    if (!findTest(t.test)?.outcomes.some((o) => o.id === t.outcome))
      return refuse(`tests.${i}`, 'This test has no such outcome.');
  const row = await alikeTrees(v, tree);
  const stranger = l.alike.findIndex((a) => !row.some((t) => t.id === a.treeId));
  if (stranger >= 0)
    return refuse(`alike.${stranger}`, 'This tree is not of the same kind in the same row; examine it by itself.');
  const looked = l.findings.filter((f) => f.state !== 'not looked');
  const { detail } = l;
  const said =
    looked.length > 0 ||
    l.tests.length > 0 ||
    crownLoss !== null ||
    l.vigour !== null ||
    l.note.trim() !== '' ||
    l.hostKey.some((k) => k !== null) ||
    detail.soilMoisture !== null ||
    detail.barkLoss.length + detail.anchors.length + detail.targets.length > 0 ||
    detail.peopleBelow !== null ||
    detail.check !== null;
  if (!said) return refuse('findings', 'Nothing was entered. Look at something first: an empty look says nothing.');
  const one = {
    crownLoss,
    vigour: l.vigour,
    hostKey: l.hostKey,
    hostConfirmed: l.hostKey.length === host.key.length && l.hostKey.every((k) => k === true),
    note: l.note,
    today: todayOf(v),
  };
  const bare = detailSchema.parse({ soilMoisture: l.detail.soilMoisture });
  await addLooks(v, [
    {
      ...one,
      id: l.id,
      treeId: tree.id,
      findings: looked,
      tests: l.tests,
      detail: l.detail,
      change: l.change.trim()
        ? { id: v7(), what: l.change.trim(), priceMinor: price === null ? null : Math.round(price * 100) }
        : null,
    },
    // What was tested, dug or drawn was so on one tree; the signs speak for the row, but for the exceptions.
    ...l.alike.map((a) => ({
      ...one,
      id: a.id,
      treeId: a.treeId,
      hostConfirmed: false,
      hostKey: [],
      findings: [
        ...looked.filter((f) => !a.except.some((x) => x.sign === f.sign)),
        ...a.except.filter((x) => x.state !== 'not looked' && known.has(x.sign)),
      ].map(({ bearing: _, ...f }) => f),
      tests: [],
      detail: bare,
      change: null,
    })),
  ]);
  seen();
  return done;
});

/** Takes a look back: it stays in the book of the tree with its reason, and is no evidence any more. */
export const withdraw = act(
  'examine',
  z.object({
    treeId: uuid,
    lookId: uuid,
    reason: z.string().trim().min(3, 'Say in a few words why it is taken back.').max(400, 'At most 400 signs.'),
  }),
  async (v, w): Promise<Answer> => {
    const tree = await treeOf(v, w.treeId);
    if (!tree?.looks.some((l) => l.id === w.lookId))
      return refuse('lookId', 'This look was taken back meanwhile, or it is not of this tree.');
    await withdrawLook(v, w.lookId, w.reason);
    seen();
    return done;
  },
);

/** A sample or a photograph was sent: to whom, and for which test. No picture is read by machine. */
export const send = act(
  'examine',
  z.object({
    id: uuid,
    treeId: uuid,
    what: z.string().trim().min(3, 'Say what was sent.').max(400, 'At most 400 signs.'),
    sentTo: z.string().trim().min(2, 'Say to whom.').max(200, 'At most 200 signs.'),
    testId: z.string().max(60).nullable(),
    sentOn: z.iso.date('Give the day it was sent.'),
  }),
  async (v, s): Promise<Answer> => {
    if (!(await treeOf(v, s.treeId))) return noTree;
    if (s.testId !== null && findTest(s.testId)?.cost !== 'laboratory')
      return refuse('testId', 'This is not a laboratory test.');
    if (s.sentOn > todayOf(v)) return refuse('sentOn', 'That day has not come yet.');
    await sendSample(v, s);
    seen();
    return done;
  },
);

/** The answer to a sample; the outcome of a laboratory test becomes evidence, as a look of its own. */
export const answer = act(
  'examine',
  z.object({
    treeId: uuid,
    sampleId: uuid,
    lookId: uuid,
    outcome: z.string().max(60).nullable(),
    answer: z.string().trim().min(1, 'Write what the answer says.').max(2000, 'At most 2000 signs.'),
    onDay: z.iso.date('Give the day of the answer.'),
  }),
  async (v, a): Promise<Answer> => {
    const tree = await treeOf(v, a.treeId);
    const sample = tree?.samples.find((s) => s.id === a.sampleId);
    if (!tree || !sample) return noTree;
    if (sample.answer !== null) return refuse('sampleId', 'This sample was answered meanwhile.');
    if (a.onDay > todayOf(v)) return refuse('onDay', 'That day has not come yet.');
    if (a.onDay < sample.sentOn) return refuse('onDay', 'That is before it was sent.');
    if (sample.testId && !findTest(sample.testId)?.outcomes.some((o) => o.id === a.outcome))
      return refuse('outcome', 'Choose what the laboratory found.');
    await answerSample(v, {
      sampleId: sample.id,
      answer: a.answer,
      onDay: a.onDay,
      look:
        sample.testId && a.outcome
          ? {
              id: a.lookId,
              treeId: tree.id,
              crownLoss: null,
              vigour: null,
              hostKey: [],
              hostConfirmed: false,
              findings: [],
              tests: [{ test: sample.testId, outcome: a.outcome }],
              detail: detailSchema.parse({}),
              note: `Answer of ${sample.sentTo}: ${a.answer}`.slice(0, 4000),
              today: todayOf(v),
              change: null,
            }
          : null,
    });
    seen();
    return done;
  },
);

/** What others put on this tree, and how it went: it counts towards limits, and is evidence. */
export const byOthers = act(
  'examine',
  z.object({
    id: uuid,
    treeId: uuid,
    ...putDown,
    family: z.string().trim().max(60, 'At most 60 signs.'),
    resistance: z.string().trim().max(40, 'At most 40 signs.'),
    conditionId: z.string().max(60).nullable(),
    effect: z.enum(['none', 'some', 'good']).nullable(),
  }),
  async (v, x): Promise<Answer> => {
    const faults: Fault[] = [];
    const grams = numberAt(faults, 'grams', x.grams, { name: 'The grams', above: 0, max: 1e6, unit: 'g' });
    if (x.onDay > todayOf(v)) faults.push({ path: 'onDay', sentence: 'That day has not come yet.' });
    if (faults.length) return { ok: false, faults };
    const tree = await treeOf(v, x.treeId);
    if (!tree) return noTree;
    if (x.conditionId !== null && !findCondition(x.conditionId))
      return refuse('conditionId', 'There is no such trouble.');
    await addOthersApplied(v, { ...x, grams: grams!, placeId: tree.placeId });
    seen();
    return done;
  },
);

/** The client's word on what was found while digging. */
export const answerChange = act(
  'edit grounds',
  z.object({
    id: uuid,
    approved: z.boolean(),
    how: z.string().trim().min(3, 'Say who agreed, and how.').max(400, 'At most 400 signs.'),
  }),
  async (v, c) => {
    const changed = await settleChange(v, c.id, c.approved ? 'approved' : 'declined', c.how);
    seen();
    return changed.count ? done : refuse('', 'This was settled meanwhile, or it is not in this outfit.');
  },
);
