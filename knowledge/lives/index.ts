import { LIFE_STAGES, type Life, type LifeTime } from '@/core/season/life-schema';
import { DISEASE_LIVES } from './diseases';
import { ANIMAL_LIVES } from './insects-and-animals';
import { OTHER_LIVES } from './site-and-harmless';

const written = { ...ANIMAL_LIVES, ...DISEASE_LIVES, ...OTHER_LIVES };

/** The stages of a condition through the year, in the order of its life. */
export function lifeOf(conditionId: string): Life {
  const own = written[conditionId] ?? {};
  return LIFE_STAGES.flatMap((stage) => {
    const times = own[stage];
    if (!times) return [];
    return (Array.isArray(times) ? times : [times]).map((time: LifeTime) => ({ stage, time }));
  });
}
/** Of conditions that have a life written; a test holds that they are those that ship. */
export const LIVED = Object.keys(written);
