import type { OptionMethod } from '@/core/diagnose/knowledge';
import type { LifeStage } from '@/core/season/life-schema';
import type { Timed } from '@/core/season/timed-schema';
import type { Bbch } from '@/core/season/bbch';
import { heatModels } from './heat';
import { lifeOf } from './lives';

const stages = (from: Bbch, to: Bbch, fromDays = 0, toDays = 0): Timed => ({
  by: 'stage',
  from,
  to,
  ...(fromDays ? { fromDays } : {}),
  ...(toDays ? { toDays } : {}),
});
const heat = (model: string, days: number, fromDays = 0): Timed => ({
  by: 'heat',
  model,
  days,
  ...(fromDays ? { fromDays } : {}),
});

/** A time of its own or several, or the stage of the trouble's own life in which it is met. */
type When = Timed | readonly Timed[] | LifeStage;

/** What a way's own words mean wherever they are used: one phrase, one time. */
const BY_WORDS: Readonly<Record<string, When>> = {
  dormant: stages(97, 1),
  'late dormancy': stages(1, 7, -21),
  'delayed dormant': stages(1, 7),
  'bud swell': stages(1, 7),
  'before bud swell': stages(97, 1, 21),
  'leaf fall to bud swell': stages(97, 1),
  'leaf fall': stages(93, 97, 0, 21),
  'half leaf fall': stages(95, 97),
  'after leaf fall until hatch': stages(97, 9),
  'before bud break': stages(9, 9, -45),
  'before leaf-out': stages(9, 9, -45),
  'bud burst': stages(9, 19),
  'bud break': stages(9, 11),
  'bud break, wet spring': stages(9, 19, 0, 14),
  'bud break, June': stages(31, 39, -10, 14),
  'bud swell to half-grown': stages(1, 39, 0, -15),
  'new shoots half grown': stages(31, 39, 10, -10),
  'first leaves': stages(10, 19),
  'leaf-out': stages(9, 19),
  'leaf-out to shell hardening': stages(11, 19, 0, 75),
  'leaf unfolding to full': stages(11, 19, 0, 14),
  'young leaf': stages(11, 19, 0, 21),
  'leaf full': stages(19, 92),
  'leaf full, moist soil': stages(19, 92),
  'leaf full, moist soil, the laboratory has said so': stages(19, 92),
  'leaf full, early in the disease': stages(19, 92),
  'leaf full, before beetles fly again': stages(19, 92, 0, -20),
  'late spring, leaf full': stages(19, 19, 0, 40),
  'early summer, before symptoms': stages(19, 19, 0, 30),
  'before buds close': stages(19, 92, 60),
  'green tip': stages(7, 10),
  'green tip to second cover': stages(7, 71),
  'green tip to petal fall': stages(7, 19),
  'silver tip to cover': stages(7, 71, -5, 45),
  'bud break to shuck': stages(7, 69, 0, 10),
  'pink to petal fall': stages(57, 69),
  'pink to after petal fall': stages(57, 69, 0, 14),
  'open bloom, warm and wet': stages(60, 69),
  'before bloom': stages(97, 57),
  'petal fall': stages(69, 69, 0, 21),
  'petal fall, wet spring': stages(69, 69, 0, 21),
  'after petal fall': stages(69, 69, 5, 60),
  'young stages after petal fall': stages(69, 69, 3, 35),
  'after bloom': stages(69, 69, 0, 45),
  'after bloom, soil moist': stages(69, 69, 0, 45),
  'soil moist, after bloom': stages(69, 69, 3, 120),
  'soil moist, bloom just over, leaves still on': stages(93, 93, -35),
  'catkins to set': stages(9, 11, -7, 21),
  'first cover to harvest interval': stages(71, 93, 10),
  'fruit swells to picking': stages(71, 93, 40),
  'fruit fall': stages(71, 93, 20),
  'thumb-sized fruit': stages(71, 71, 20, 55),
  'fruit as a walnut': stages(71, 71, 25, 60),
  'young fruit': stages(71, 71, 10, 70),
  'stone hard, flies in the traps': stages(71, 71, 45, 150),
  'stone hard, again after rain': stages(71, 71, 45, 150),
  'first powder': stages(10, 19, 0, 45),
  'before ants climb': stages(9, 19, -14, 45),
  'first colonies at bud burst': stages(7, 19, 0, 14),
  'colonies still open': stages(7, 19, 0, 10),
  'aphids on young growth': 'feeding',
  'wool appears': 'feeding',
  'wool appears, not in sun': 'feeding',
  'live aphids, no open bloom': 'feeding',
  'live aphids': 'feeding',
  crawlers: 'crawlers',
  'crawlers out': 'crawlers',
  'crawlers out, June to July': 'crawlers',
  'crawlers out, June and again August': 'crawlers',
  'crawlers out, late August to September': 'crawlers',
  'crawlers out, about late June': 'crawlers',
  'crawlers out, after leaf-out': 'crawlers',
  'crawlers out, bloom over': 'crawlers',
  'crawlers, about lilac bloom': 'crawlers',
  'crawlers, by heat or by tape': 'crawlers',
  'first young': 'young',
  'young bugs': 'young',
  'young stages': 'young',
  grubs: 'young',
  'young grubs': 'young',
  'small caterpillars': 'young',
  'first beetles': 'adults',
  'adults in the crown': 'adults',
  'flies lay': 'flight',
  'egg laying': 'eggs',
};

/** Where the same words mean another time for one trouble, by the method they stand with. */
const BY_CONDITION: Readonly<Record<string, Partial<Record<OptionMethod, When>>>> = {
  'ash-clearwing': { 'bark spray': heat('ash-clearwing-first', 35, 10) },
  'two-lined-borer': { 'bark spray': stages(19, 19, -10, 30) },
  'shot-hole-borer': { 'bark spray': stages(7, 19, -10) },
  'elm-bark-beetle': { sanitation: stages(97, 11) },
  'elm-leaf-beetle': { 'foliar spray': stages(11, 19, 14, 21), 'bark spray': stages(19, 19, 25, 60) },
  'spongy-moth': { 'foliar spray': heat('spongy-moth-hatch', 21), band: heat('spongy-moth-hatch', 70, 10) },
  'tussock-moth': { 'foliar spray': stages(11, 19, 0, 25) },
  'web-tent-caterpillars': { 'foliar spray': [heat('tent-caterpillar-hatch', 35), stages(19, 19, 45, 75)] },
  'oak-processionary': { 'foliar spray': stages(9, 19, 0, 14) },
  'codling-moth': {
    'foliar spray': [heat('codling-moth-hatch', 21), heat('codling-moth-hatch', 80, 58)],
    band: stages(71, 93, 15, 20),
  },
  bagworm: { 'foliar spray': heat('bagworm-hatch', 30) },
  'plum-curculio': { 'foliar spray': stages(69, 69, 0, 42) },
  'apple-maggot': { 'foliar spray': heat('apple-maggot-first', 70) },
  'walnut-husk-fly': { bait: stages(19, 19, 60, 120) },
  'pine-shoot-moth': { 'foliar spray': stages(31, 39, 45, 30), pruning: stages(31, 39) },
  'chestnut-gall-wasp': { pruning: stages(11, 19, 0, 30) },
  'spruce-gall-adelgid': { pruning: stages(9, 39, 10) },
  'spotted-lanternfly': { band: stages(11, 97) },
  'citrus-rust-mite': { 'foliar spray': 'feeding' },
  mealybug: { 'foliar spray': 'crawlers' },
};

/**
 * When a way is open more truly than by its months: by stages of the host or by heat, each time of the year in which it may be
 * met; empty where only its months tell. The months stand for hosts and places of which nobody can say more.
 */
export function timesOf(conditionId: string, way: { method: OptionMethod; when: string }): Timed[] {
  const when = BY_CONDITION[conditionId]?.[way.method] ?? BY_WORDS[way.when];
  if (!when) return [];
  if (typeof when !== 'string') return 'by' in when ? [when] : [...when];
  const times = lifeOf(conditionId).flatMap(({ stage, time }) => (stage === when ? [time] : []));
  // A brood that only months tell, or that waits for somebody to see the one before, would be shut out by those that are told.
  const told = times.filter((t) => t.by === 'stage' || (t.by === 'heat' && countsFromNewYear(t.model)));
  return told.length === times.length || !told.length ? times.filter((t) => t.by !== 'months') : [];
}
const countsFromNewYear = (model: string) => heatModels.find((m) => m.id === model)?.from === 'new year';
/** Whatever is written here, for the test that holds that none of it lies idle. */
export const WRITTEN_TIMES = { words: BY_WORDS, conditions: BY_CONDITION };
