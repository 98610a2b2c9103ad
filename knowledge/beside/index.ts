import type { Beside } from '@/core/diagnose/beside-schema';
import type { Condition } from '@/core/diagnose/knowledge';
import { lifeOf } from '../lives';
import { EATEN } from './eaten';
import { enemiesOf } from './enemies';
import { REPLANTING } from './replanting';
import { WINTERS } from './winters';
import { wrongOf } from './wrong';

/** What the guide tells beside a condition: of a company’s own what stands in its entry, of what ships the tables here. */
export const besideOf = (condition: Condition): Beside =>
  condition.beside ?? {
    life: lifeOf(condition.id),
    enemies: enemiesOf(condition.id),
    replanting: REPLANTING[condition.id] ?? null,
    winters: WINTERS[condition.id] ?? null,
    eaten: EATEN[condition.id] ?? null,
    wrong: wrongOf(condition),
  };
