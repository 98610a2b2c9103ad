import { formatDay } from '../../lib/calendar/days';
import { gate, type Gate } from '../gates/gate';
import { figure } from '../../lib/units/units';
import { monthsThere, type Ask, type WorkFacts, northernMonthOf } from './work';
import { yearOf } from '../../lib/calendar/months';

/** The closed season of a region for this host on this day, or null. Runs over the turn of a year where it must. */
export function closedSeason(f: Pick<WorkFacts, 'host' | 'on' | 'closedSeasons'>) {
  const day = f.on.slice(5);
  return (
    f.closedSeasons.find(
      (s) =>
        s.hosts.some((h) => h === f.host.id || f.host.groups.includes(h)) &&
        (s.from <= s.to ? day >= s.from && day <= s.to : day >= s.from || day <= s.to),
    ) ?? null
  );
}

export const hazard: Ask = {
  key: 'hazard',
  kind: 'yes',
  name: 'Storm or hazard cut that cannot wait',
  usual: () => false,
};

export const dry: Ask = { key: 'dry', kind: 'yes', name: 'The bark is dry, no rain today', usual: () => true };

/** A day of every year as people say it: 15 Apr. */
export const monthDay = (day: string) => formatDay(`2024-${day}`).replace(' 2024', '');

/** Gates that every cut shares: closed season, live crown, clean tools. */
export function cutGates(facts: WorkFacts, a: Record<string, unknown>, livePercent: number, disease = false): Gate[] {
  const out: Gate[] = [];
  if (facts.condition?.noCut)
    out.push(
      gate({
        id: 'no-cut-authority',
        strength: 'stop',
        title: 'No cut before the authority',
        sentence: `${facts.condition.name} travels on saws: nothing is cut before the plant-health authority has spoken.`,
        source: `knowledge: ${facts.condition.name}`,
        satisfy: 'Bag what lies about, photograph, telephone.',
      }),
    );
  const m = northernMonthOf(facts);
  if (facts.host.groups.includes('stone-fruit') && (m >= 10 || m <= 3))
    out.push(
      gate({
        id: 'stone-fruit-winter',
        strength: 'hold',
        title: 'Stone fruit is cut in summer',
        sentence: 'Silver leaf and bacterial canker enter through winter cuts on plum, cherry and their kin.',
        source: 'practice',
        facts: [`host ${facts.host.name}`],
        satisfy: `Cut in dry weather from ${monthsThere(facts, 5, 8)}; a knot or a broken limb with its reason.`,
      }),
    );
  const closed = closedSeason(facts);
  if (closed && disease && facts.condition?.disease && closed.diseaseCuts !== false)
    out.push(
      gate({
        id: 'closed-season-disease',
        strength: 'hold',
        title: 'Closed season: disease cut',
        sentence: `${facts.host.name} is closed to cutting from ${monthDay(closed.from)} to ${monthDay(closed.to)}; taking ${facts.condition.name.toLowerCase()} out passes with its reason.`,
        source: `region ${facts.region}`,
        facts: [closed.why],
        satisfy: 'Write the reason; clean tools, paint the cut at once, the wood leaves the same day.',
      }),
    );
  else if (closed) {
    const year = yearOf(facts.on);
    const open = closed.to < facts.on.slice(5) ? year + 1 : year;
    out.push(
      a['hazard'] === true
        ? gate({
            id: 'closed-season-hazard',
            strength: 'hold',
            title: 'Closed season: hazard cut',
            sentence: `${facts.host.name} is closed to cutting from ${monthDay(closed.from)} to ${monthDay(closed.to)}; a storm or hazard cut passes with its reason.`,
            source: `region ${facts.region}`,
            facts: [closed.why],
            satisfy: 'Write the reason; clean tools, paint the cut at once, record it.',
          })
        : gate({
            id: 'closed-season',
            strength: 'stop',
            title: 'Closed season',
            sentence: `${facts.host.name} is not cut here from ${monthDay(closed.from)} to ${monthDay(closed.to)}: ${closed.why}`,
            source: `region ${facts.region}`,
            facts: [`today ${formatDay(facts.on)}`],
            satisfy: `Allowed after ${formatDay(`${open}-${closed.to}`)}; a storm or hazard cut with its reason.`,
          }),
    );
  }
  if (livePercent > 25)
    out.push(
      gate({
        id: 'live-crown-limit',
        strength: 'hold',
        title: 'Too much live crown',
        sentence: `${figure(livePercent, 2)} % of the live crown would go; a quarter is the most a sound tree carries in a year.`,
        source: 'practice',
        satisfy: 'In two steps, a year or more apart.',
      }),
    );
  if (a['dry'] === false)
    out.push(
      gate({
        id: 'cut-wet',
        strength: 'hold',
        title: 'Wet bark',
        sentence: 'Spores and bacteria run with water into fresh cuts.',
        source: 'practice',
        satisfy: 'Wait for a dry day.',
      }),
    );
  return out;
}

/** Wound dressing by the company's school; the region's wilt overrides it. */
export function dressing(facts: WorkFacts): string {
  const oak = facts.host.groups.includes('oak');
  // In a wilt region every wound is painted, at once, in every month: storm cuts fall outside the closed season too.
  if (
    oak &&
    (facts.woundSchool === 'always on oak' ||
      (facts.woundSchool === 'wilt region' && (facts.wiltRegion || closedSeason(facts))))
  )
    return 'Paint each cut at once, any thin paint: beetles find fresh oak within minutes.';
  return 'No dressing: a clean cut at the collar closes best.';
}

export const CUT_STEPS = ['Tools disinfected before this tree, and between cuts on diseased wood.'];

export const CUT_TAKE = [
  { what: 'Saws, loppers, pole saw, all clean', amount: '1 set' },
  { what: '70 % alcohol, cloths', amount: '1 set' },
];

/** Conditions in which what is left of the wood must carry less, and nothing is cut out of it. */
export const RELIEVED: readonly string[] = [
  'butt-rot',
  'giant-polypore',
  'brittle-cinder',
  'ganoderma-rot',
  'shaggy-polypore',
  'sulphur-polypore',
  'conifer-root-rot',
  'beefsteak-rot',
  'velvet-top-rot',
  'ash-heart-rot',
  'hoof-fungus',
  'birch-bracket-rot',
  'oak-bracket-rot',
  'plum-bracket-rot',
  'dryads-saddle-rot',
  'oyster-rot',
  'massaria-plane',
  'storm-breaks',
  'old-age-decline',
];
/** Conditions that have a cut of their own: neither is diseased wood cut out, nor is light the answer. */
export const CUSTOM_CUT: readonly string[] = ['rootstock-takeover', 'mistletoe', 'ivy-cover', ...RELIEVED];
