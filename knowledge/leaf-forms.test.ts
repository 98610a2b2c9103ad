import { hosts } from '.';
import { LEAF_NAMES, leafOf } from './leaf-forms';

const listed = hosts.filter((h) => !h.unlisted);

it('every host has the leaf of its own kind, and no leaf is of a host that is not there', () => {
  const general = ['broadleaf', 'conifer'].map((g) => leafOf({ id: 'x', groups: [g] }).look);
  expect(listed.filter((h) => general.includes(leafOf(h).look)).map((h) => h.id)).toEqual([]);
  const names = new Set(hosts.flatMap((h) => [h.id, ...h.groups]));
  expect(LEAF_NAMES.filter((n) => !names.has(n))).toEqual([]);
  const used = new Set(listed.map((h) => leafOf(h).look));
  const idle = LEAF_NAMES.filter((n) => !['broadleaf', 'conifer'].includes(n)).filter(
    (n) => !used.has(leafOf({ id: n, groups: [] }).look),
  );
  expect(idle).toEqual([]);
});

it('how leaves sit follows what the trade is taught: maple, ash, horse chestnut, dogwood, olive in pairs', () => {
  const paired = new Set(listed.filter((h) => leafOf(h).sits === 'in pairs').flatMap((h) => h.groups));
  for (const group of ['maple', 'ash', 'horse-chestnut', 'dogwood', 'olive', 'box', 'euonymus'])
    expect([group, paired.has(group)]).toEqual([group, true]);
  for (const group of ['elm', 'oak', 'plane', 'walnut', 'birch', 'rowan', 'cherry'])
    expect([group, paired.has(group)]).toEqual([group, false]);
});

it('a host is told from what it is taken for by its leaf or by its own words', () => {
  const byId = new Map(hosts.map((h) => [h.id, h]));
  const alike = listed.flatMap((h) =>
    h.key.flatMap((k) =>
      k.ifNot.flatMap((id) => {
        const other = byId.get(id);
        // Kinds of one genus share a leaf; their keys tell them apart by words.
        return other && leafOf(other).look === leafOf(h).look && k.ask.length < 15 ? [`${h.id} and ${id}`] : [];
      }),
    ),
  );
  expect(alike).toEqual([]);
});

it('a host of one’s own has the leaf of the host that it is like', () =>
  expect(leafOf({ id: 'own-x', groups: ['ash', 'broadleaf'], growsLike: 'white-ash' }).look).toBe(
    leafOf({ id: 'white-ash', groups: ['ash'] }).look,
  ));
