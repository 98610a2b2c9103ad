import { atOnce, type Slices } from '../../lib/slices';
import type { Condition, Host, Knowledge, QuickTest, Sign, TreatmentOption } from './knowledge';
import { concerns, groupsOf, oftenOf, signsOf } from './reading';
import { OFTEN, type Often } from './words';

/** What every host of a group must have among its conditions. */
const COMMON_TO: Readonly<Record<string, readonly string[]>> = {
  all: [
    'drought-stress',
    'waterlogging',
    'buried-collar',
    'girdling-roots',
    'compaction',
    'cut-roots',
    'salt-damage',
    'honey-fungus',
    'butt-rot',
    'mower-wounds',
    'voles',
    'deer',
    'frost-damage',
    'lightning',
    'storm-breaks',
    'ties',
    'lichen-harmless',
    'nothing-wrong',
    'something-else',
  ],
  broadleaf: ['sooty-mould', 'nitrogen-hunger', 'dense-crown', 'water-shoots', 'clay-film'],
  conifer: ['needle-drop-natural'],
  pome: ['rootstock-takeover', 'san-jose-scale', 'crown-gall', 'fire-blight'],
  'stone-fruit': ['brown-rot', 'bacterial-canker', 'shot-hole', 'peach-tree-borer', 'rootstock-takeover'],
  spruce: ['spruce-mite', 'spruce-bark-beetle'],
  pine: ['tip-blight', 'red-band-blight'],
  oak: ['powdery-mildew', 'oak-wilt', 'phytophthora-bleeding'],
  ash: ['emerald-ash-borer', 'ash-dieback', 'ash-clearwing'],
  elm: ['dutch-elm-disease', 'elm-leaf-beetle', 'elm-bark-beetle'],
  citrus: ['citrus-miner', 'citrus-greening', 'phytophthora-root-rot', 'snails-slugs', 'mealybug'],
};

/** How far apart two chances must lie to tell two conditions apart: "usual" against "rare". */
const APART = 0.25;

const duplicates = (ids: string[]) => ids.filter((x, i) => ids.indexOf(x) !== i);

/** A time of repeating, a temperature or an amount, as somebody writes it. */
const FIGURE =
  /\d\s*(?:°|%|(?:days?|weeks?|hours?|min|g|kg|mL|L)\b)|\b(?:one|two|three|four|five|six|seven|ten|every|few|second|a)\b[^,;]{0,12}\b(?:days?|weeks?|fortnight|month)\b|\b(?:weekly|daily|fortnight|monthly)\b/i;

/** How far gone a tree is, as somebody writes it: what an option depends on and no field holds, nobody can keep to. */
const STATE =
  /\b(?:over|beyond|above|under|below|more than|less than) (?:half|a (?:third|quarter))\b|\bhalf (?:of )?the (?:crown|ring|girth|bark)\b|\bbefore the \w+ (?:leans?|hangs?|falls?|dies)\b|\b(?:is|are) gone\b|\b(?:young|small|thin) trees only\b/i;
const held = (o: TreatmentOption): boolean =>
  [o.barkLossMax, o.barkLossMin, o.crownLossMin, o.largestCm, o.tooLate, o.onlyWith].some((x) => x !== undefined);

type Base = Pick<Knowledge, 'signs' | 'tests'>;
/** Signs and tests by id, once for a base: a check asks for them some hundred thousand times. */
const indexes = new WeakMap<Base, { signs: Map<string, Sign>; tests: Map<string, QuickTest> }>();
function indexOf(k: Base) {
  const known = indexes.get(k);
  if (known) return known;
  const made = { signs: new Map(k.signs.map((s) => [s.id, s])), tests: new Map(k.tests.map((t) => [t.id, t])) };
  indexes.set(k, made);
  return made;
}

/** The sign, or test and outcome, that tells two conditions apart most clearly on a host; null when nothing does. */
export function tellApart(a: Condition, b: Condition, host: Host, k: Base): string | null {
  const { signs, tests } = indexOf(k);
  const apart = (x: Often | undefined, y: Often | undefined, idle: number) =>
    Math.abs((x === undefined ? idle : OFTEN[x]) - (y === undefined ? idle : OFTEN[y]));
  let best: string | null = null;
  let most = APART;
  const offer = (id: string, by: number) => {
    if (by < most || (by === most && best !== null)) return;
    best = id;
    most = by;
  };
  // What neither of them names is as likely under both.
  for (const id of new Set([a, b].flatMap((c) => [...signsOf(c), ...c.signs.never]))) {
    const s = signs.get(id);
    if (s && concerns(s.groups, host)) offer(id, apart(oftenOf(a, id), oftenOf(b, id), s.idle));
  }
  for (const id of new Set([...Object.keys(a.tests), ...Object.keys(b.tests)])) {
    const t = tests.get(id);
    if (t && concerns(t.groups, host))
      for (const o of t.outcomes) offer(`${id}/${o.id}`, apart(a.tests[id]?.[o.id], b.tests[id]?.[o.id], o.idle));
  }
  return best;
}

/**
 * Everything that is wrong with a knowledge base, as sentences with the place of each fault; empty when it is sound:
 * ids that lead nowhere, signs that nothing makes, conditions that no sign can reach, look-alikes that nothing tells
 * apart, hosts without the common conditions of their group, and likelihoods that contradict a chain.
 */
export const issuesIn = (knowledge: Knowledge): string[] => atOnce(issueSlices(knowledge));
/** The same, in slices. */
export function* issueSlices(knowledge: Knowledge): Slices<string[]> {
  const out: string[] = [];
  const conditions = new Map(knowledge.conditions.map((c) => [c.id, c]));
  const signs = new Map(knowledge.signs.map((s) => [s.id, s]));
  const tests = new Map(knowledge.tests.map((t) => [t.id, t]));
  const groups = groupsOf(knowledge.hosts);
  for (const [name, list] of Object.entries({
    host: knowledge.hosts,
    sign: knowledge.signs,
    test: knowledge.tests,
    condition: knowledge.conditions,
  }))
    for (const x of duplicates(list.map((y) => y.id))) out.push(`${name} ${x}: named twice`);

  const used = new Set(knowledge.conditions.flatMap((c) => [...signsOf(c), ...c.signs.never]));
  const usedTests = new Set(knowledge.conditions.flatMap((c) => Object.keys(c.tests)));
  for (const s of knowledge.signs) {
    // A sign of a company's own may be noted before anybody knows what makes it.
    if (!used.has(s.id) && !s.id.startsWith('own-')) out.push(`sign ${s.id}: no condition makes it`);
    for (const g of s.groups) if (!groups.has(g)) out.push(`sign ${s.id}: no host group ${g}`);
    if (s.echoes && !signs.has(s.echoes)) out.push(`sign ${s.id}: echoes ${s.echoes}, which is not there`);
  }
  for (const t of knowledge.tests) {
    if (!usedTests.has(t.id)) out.push(`test ${t.id}: no condition answers it`);
    if (t.outcomes.at(-1)!.id !== 'none') out.push(`test ${t.id}: its last outcome must be "none"`);
  }
  for (const c of knowledge.conditions) {
    yield;
    for (const g of [...c.groups, ...c.worseOn]) if (!groups.has(g)) out.push(`condition ${c.id}: no host group ${g}`);
    for (const g of Object.keys(c.commonOn ?? {}))
      if (!groups.has(g)) out.push(`condition ${c.id}: no host group ${g}, on which it would be ${c.commonOn![g]}`);
      else if (!knowledge.hosts.some((h) => concerns([g], h) && concerns(c.groups, h)))
        out.push(`condition ${c.id}: ${g} is none of its hosts`);
    const named = [...signsOf(c), ...c.signs.never];
    for (const s of named) if (!signs.has(s)) out.push(`condition ${c.id}: no sign ${s}`);
    for (const s of duplicates(named)) out.push(`condition ${c.id}: sign ${s} stands twice`);
    for (const [t, outcomes] of Object.entries(c.tests))
      for (const o of Object.keys(outcomes))
        if (!tests.get(t)?.outcomes.some((x) => x.id === o)) out.push(`condition ${c.id}: no test outcome ${t}/${o}`);
    if (c.deciding && !c.tests[c.deciding.test]?.[c.deciding.outcome])
      out.push(`condition ${c.id}: its deciding test does not say how often it comes out`);
    for (const x of [...c.drivers, ...c.followers, ...c.lookalikes])
      if (!conditions.has(x)) out.push(`condition ${c.id}: no condition ${x}`);
    // They stand in the label or the work that carries the way out; written here too, the guide would say another figure one day.
    for (const o of c.options)
      for (const words of [o.what, o.when]) {
        const figure = FIGURE.exec(words);
        if (figure)
          out.push(
            `condition ${c.id}: “${words}”, ${o.method}, says ${figure[0]}: days, temperatures and amounts stand in the label or the work`,
          );
      }
    for (const o of c.options) {
      const state = STATE.exec(`${o.what}; ${o.when}`);
      if (state && !held(o))
        out.push(
          `condition ${c.id}: ${o.method} depends on “${state[0]}”, and no field holds it: a loss of bark or crown, a size, or a sign`,
        );
      for (const s of [...(o.tooLate ?? []), ...(o.onlyWith ?? [])])
        if (!signs.has(s)) out.push(`condition ${c.id}: ${o.method} waits for no sign ${s}`);
    }
    const on = knowledge.hosts.filter((h) => concerns(c.groups, h));
    if (!on.length) out.push(`condition ${c.id}: on no host`);
    for (const h of on) {
      // The sound tree and the unknown are what is left when nothing speaks.
      if (c.id === 'something-else') continue;
      const reachable = signsOf(c).some((s) => {
        const sign = signs.get(s);
        return sign && concerns(sign.groups, h) && OFTEN[oftenOf(c, s)!] > sign.idle * 1.4;
      });
      if (!reachable) out.push(`condition ${c.id}: no sign on ${h.id} leads to it`);
    }
    for (const x of c.lookalikes) {
      const other = conditions.get(x);
      if (!other) continue;
      for (const h of on)
        if (concerns(other.groups, h) && !tellApart(c, other, h, knowledge))
          out.push(`conditions ${c.id} and ${x}: nothing tells them apart on ${h.id}`);
    }
    for (const x of c.followers)
      if (conditions.has(x) && !conditions.get(x)!.drivers.includes(c.id))
        out.push(`chain ${c.id} → ${x}: the follower does not name its driver`);
    for (const x of c.drivers) {
      const driver = conditions.get(x);
      if (!driver) continue;
      if (!driver.followers.includes(c.id)) out.push(`chain ${x} → ${c.id}: the driver does not name its follower`);
      for (const s of [...c.signs.always, ...c.signs.usual])
        if (driver.signs.never.includes(s))
          out.push(`chain ${x} → ${c.id}: ${s} is usual in the follower and “never” in its driver`);
      for (const s of [...driver.signs.always, ...driver.signs.usual])
        if (c.signs.never.includes(s))
          out.push(`chain ${x} → ${c.id}: ${s} is usual in the driver and “never” in its follower`);
    }
  }
  const circle = (id: string, path: string[]): string[] | null => {
    if (path.includes(id)) return [...path.slice(path.indexOf(id)), id];
    for (const d of conditions.get(id)?.drivers ?? []) {
      const found = circle(d, [...path, id]);
      if (found) return found;
    }
    return null;
  };
  for (const c of knowledge.conditions) {
    const found = circle(c.id, []);
    if (found) {
      out.push(`chain runs in a circle: ${found.join(' ← ')}`);
      break;
    }
  }
  yield;
  for (const h of knowledge.hosts)
    for (const [group, list] of Object.entries(COMMON_TO))
      if (group === 'all' || h.groups.includes(group))
        for (const id of list)
          if (!conditions.has(id) || !concerns(conditions.get(id)!.groups, h))
            out.push(`host ${h.id}: has no ${id}, which every ${group === 'all' ? 'tree' : group} has`);
  for (const t of knowledge.lookalikes)
    for (const r of t.rows) if (!conditions.has(r.condition)) out.push(`table ${t.id}: no condition ${r.condition}`);
  return out;
}
