import { done, refuse, type Issue, type Result } from '@/lib/result';
import { inMinor } from '@/core/cost/prices';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { treeOf } from '@/facts/tree';
import { settleByInspection } from '@/commands/programmes/by-inspection';
import { noTree } from '@/commands/trees/no-tree';
import { detailSchema, inspectionSchema, readChangePrice, readCrownLoss } from '@/core/diagnose/inspection';
import { dayIn } from '@/lib/calendar/zone';
import { findHost, findTest, signsFor } from '@/knowledge';
import { insertInspections } from '@/store/inspections';
import { alikeTrees } from '@/store/tree';
import { v7 } from 'uuid';

/** Examining: the key, the signs, the tests, crown and vigour; on one tree, or on a row of trees that look alike. */
export const saveInspection = command({
  name: 'save-inspection',
  right: 'examine',
  schema: inspectionSchema,
  once: (x) => x.id,
  run: async ({ viewer, receivedAt, occurredAt, station }, l): Promise<Result> => {
    const issues: Issue[] = [];
    const crownLoss = readCrownLoss(issues, l.crownLoss);
    const price = readChangePrice(issues, l.changePrice);
    if (l.alike.length > 1 && new Set(l.alike.map((a) => a.treeId)).size !== l.alike.length)
      issues.push({ path: 'alike', message: 'A tree stands twice in the row.' });
    if (issues.length) return { ok: false, issues };
    const tree = await treeOf(viewer, l.treeId, occurredAt);
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
    const row = await alikeTrees(viewer, tree);
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
      at: occurredAt,
      crownLoss,
      vigour: l.vigour,
      hostKey: l.hostKey,
      hostConfirmed: l.hostKey.length === host.key.length && l.hostKey.every((k) => k === true),
      note: l.note,
      today: todayOf(viewer, occurredAt),
    };
    const bare = detailSchema.parse({ soilMoisture: l.detail.soilMoisture });
    await insertInspections(viewer, [
      {
        ...one,
        id: l.id,
        treeId: tree.id,
        findings: looked,
        tests: l.tests,
        detail: l.detail,
        change: l.change.trim()
          ? { id: v7(), what: l.change.trim(), priceMinor: price === null ? null : inMinor(price, viewer.prices) }
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
    const seen = [
      { treeId: tree.id, findings: looked },
      ...l.alike.map((a) => ({ treeId: a.treeId, findings: [...looked, ...a.except] })),
    ];
    await settleByInspection({ viewer, receivedAt, station }, seen, dayIn(occurredAt, tree.timeZone));
    return done;
  },
});
