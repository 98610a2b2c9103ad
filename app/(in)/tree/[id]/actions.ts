'use server';

import { v7 } from 'uuid';
import { z } from 'zod';
import { dayIn, followUps } from '@/core/season/follow-ups';
import { stepOfWork } from '@/core/prescribe/costs';
import { revokeProposal } from '@/store/proposals';
import { uuid } from '@/core/book/record';
import { findHost } from '@/knowledge';
import { settle } from '@/store/follow-ups';
import { setTreeArchived } from '@/store/grounds';
import { getWorkPlan, settleWork } from '@/store/plans';
import { changeTree } from '@/store/tree';
import { act, done, refuse, type Answer } from '@/app/_server/act';
import { noTree, seen, treeOf } from './acting';
import { numberAt, typed } from '@/app/_server/typed';
import { weighingOf } from '@/app/_server/situation';
import type { Fault } from '@/core/book/write';

export const settleFollowUp = act(
  'settle a follow-up',
  z.object({ id: uuid, done: z.boolean() }),
  async (v, { id, done: to }): Promise<Answer> => {
    const changed = await settle(v, id, to ? 'open' : 'done', to ? 'done' : 'open');
    seen();
    return changed.count ? done : refuse('', 'This visit was settled meanwhile, or it is not in this outfit.');
  },
);

export const editTree = act(
  'edit grounds',
  z.object({
    id: uuid,
    tag: z.string().trim().min(1, 'A tree needs its tag.').max(24, 'A tag has at most 24 signs.'),
    hostId: z.string().refine((h) => findHost(h) !== null, 'Choose a host from the list.'),
    note: z.string().max(2000, 'At most 2000 signs.'),
    walkOrder: typed,
    lat: typed,
    lon: typed,
    variety: z.string().trim().max(80, 'At most 80 signs.'),
    eaten: z.boolean().nullable(),
  }),
  async (v, t) => {
    const faults: Fault[] = [];
    const walkOrder = numberAt(faults, 'walkOrder', t.walkOrder, {
      name: 'The walking order',
      min: 0,
      max: 1_000_000,
      whole: true,
    });
    const lat = numberAt(faults, 'lat', t.lat, { name: 'The latitude', min: -90, max: 90 }, true);
    const lon = numberAt(faults, 'lon', t.lon, { name: 'The longitude', min: -180, max: 180 }, true);
    if (!faults.length && (lat === null) !== (lon === null))
      faults.push({ path: lat === null ? 'lat' : 'lon', sentence: 'A position needs both numbers.' });
    if (faults.length) return { ok: false, faults };
    const changed = await changeTree(v, { ...t, walkOrder: walkOrder!, lat, lon });
    seen();
    return changed.count ? done : noTree;
  },
);

export const archiveTree = act('edit grounds', z.object({ id: uuid, archived: z.boolean() }), async (v, t) => {
  const changed = await setTreeArchived(v, t.id, t.archived);
  seen();
  return changed.count ? done : noTree;
});

/** A work carried out today, or dropped; its follow-ups are counted from today. */
export const finishWork = act(
  'apply',
  z.object({ id: uuid, done: z.boolean(), note: z.string().trim().max(2000, 'At most 2000 signs.') }),
  async (v, p): Promise<Answer> => {
    const plan = await getWorkPlan(v, p.id);
    const tree = plan && (await treeOf(v, plan.treeId));
    if (!plan || !tree) return refuse('', 'This work is not in this outfit.');
    const today = dayIn(new Date(), tree.timeZone);
    const settled = await settleWork(
      v,
      { id: p.id, state: p.done ? 'done' : 'dropped', doneOn: p.done ? today : null, note: p.note },
      v7,
      p.done ? followUps(stepOfWork(plan.workId, plan.sheet.followUps, weighingOf(v, tree)).rules, today) : [],
    );
    seen();
    return settled ? done : refuse('', 'This work was carried out or dropped meanwhile.');
  },
);

export const revoke = act('prescribe', z.object({ id: uuid }), async (v, { id }): Promise<Answer> => {
  const changed = await revokeProposal(v, id);
  seen();
  return changed.count ? done : refuse('', 'This proposal was taken back before.');
});
