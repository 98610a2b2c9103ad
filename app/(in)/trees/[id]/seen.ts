import type { TreeInHand } from '@/facts/diagnosis';
import { may, type Right } from '@/core/people/rights';
import type { Weather } from '@/core/weather/air';
import type { Viewer } from '@/store/auth';

/**
 * What a step at a tree is drawn from: whoever looks, when, what is known of the tree, and the air there. The server reads it;
 * a phone without signal has it with what was written on it since.
 */
export interface Seen extends TreeInHand {
  viewer: Viewer;
  now: Date;
  weather: Weather;
}
export const allows = (v: Viewer, right: Right): boolean => may(v.role, right);

/** The condition that an address names, if this host can have it. */
export const namedIn = ({ found }: Pick<Seen, 'found'>, name: string | undefined): string | undefined =>
  found?.candidates.some((c) => c.id === name) ? name : undefined;
