import { ALWAYS, at, DORMANT, IN_LEAF, months, SHOOTS, type Life } from './times';

/** What stands the whole year: the harm goes on, and shows in leaf. */
const lasting: Life = { harm: ALWAYS, symptoms: at(11, 95) };
/** What may happen on any day and is seen from then on. */
const anyDay: Life = { harm: ALWAYS, symptoms: ALWAYS };
/** Shortage: it shows on the leaf as it comes out, or as it ages. */
const young: Life = { harm: at(9, 19), symptoms: at(11, 93) };
const ageing: Life = { harm: IN_LEAF, symptoms: at(19, 95, 40, 0) };

/** What is of the soil, the site, people and weather, and what is no harm: when it comes about, and when it is seen. */
export const OTHER_LIVES: Readonly<Record<string, Life>> = {
  'drought-stress': { harm: months(5, 9), symptoms: at(19, 95, 15, 0) },
  waterlogging: { harm: months(10, 4), symptoms: at(9, 93) },
  'buried-collar': lasting,
  'mulch-volcano': lasting,
  'girdling-roots': lasting,
  compaction: lasting,
  'grade-change': lasting,
  'cut-roots': lasting,
  'turf-competition': { harm: IN_LEAF, symptoms: at(11, 93) },
  'salt-damage': { harm: months(11, 4), symptoms: at(9, 19, 0, 90) },
  'herbicide-damage': { harm: months(3, 9), symptoms: at(9, 93, 10, 0) },
  'sun-heat-scorch': { harm: months(6, 8), symptoms: at(19, 93, 30, 0) },
  'sun-scald': { harm: months(12, 4), symptoms: ALWAYS },
  'frost-damage': { harm: at(9, 19), symptoms: at(9, 19, 0, 40) },
  'frost-crack': { harm: months(12, 3), symptoms: ALWAYS },
  lightning: { harm: months(5, 9), symptoms: ALWAYS },
  'storm-breaks': anyDay,
  'mower-wounds': { harm: months(4, 10), symptoms: ALWAYS },
  ties: { harm: IN_LEAF, symptoms: ALWAYS },
  'iron-shortage': young,
  'manganese-shortage': young,
  'zinc-shortage': young,
  'magnesium-shortage': ageing,
  'nitrogen-hunger': { harm: at(9, 92), symptoms: at(19, 95) },
  'rootstock-takeover': { harm: at(9, 92), symptoms: at(9, 95) },
  'water-shoots': { harm: at(11, 19, 0, 60), symptoms: ALWAYS },
  'dense-crown': anyDay,
  'old-age-decline': anyDay,
  'transplant-shock': { harm: DORMANT, symptoms: at(9, 93) },
  'gas-leak': anyDay,
  ozone: { harm: months(5, 9), symptoms: at(19, 95, 45, 0) },
  'winter-burn': { harm: months(12, 3), symptoms: months(2, 6) },
  'fruit-splitting': { harm: at(71, 71, 30, 240), symptoms: at(71, 71, 30, 240) },
  mistletoe: { spores: months(12, 4), infection: months(2, 6), latency: ALWAYS, symptoms: ALWAYS },
  'ivy-cover': anyDay,
  'smooth-patch': { symptoms: ALWAYS },
  'natural-bark-shedding': { symptoms: at(19, 95) },
  'lichen-harmless': { symptoms: ALWAYS },
  'needle-drop-natural': { symptoms: [months(8, 11), SHOOTS] },
  'helpers-mistaken': { feeding: at(9, 95) },
  'clay-film': { symptoms: months(3, 10) },
  'pale-cultivar': { symptoms: at(71, 71, 40, 150) },
  'nothing-wrong': { symptoms: ALWAYS },
  'something-else': { symptoms: ALWAYS },
};
