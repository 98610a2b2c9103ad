import type { Names } from '@/core/schedule/words';
import { KIT_NAMES } from '../kits';

/** What a page says of a job. */
export interface JobTold {
  /** What is done, and on which trees. */
  title: string;
  tags: string;
  href: string;
  /** What it is made of. */
  itemIds: readonly string[];
}
export interface Told {
  jobs: Readonly<Record<string, JobTold>>;
  places: Readonly<Record<string, { name: string; client: string }>>;
  crews: Readonly<Record<string, string>>;
}

/** Names of what limits speak of. */
export const namesOf = (told: Told): Names => ({
  crew: (id) => told.crews[id] ?? 'another crew',
  place: (id) => told.places[id]?.name ?? 'another place',
  job: (id) => {
    const job = told.jobs[id];
    return job ? `${job.title} (${job.tags})` : 'something else';
  },
  kit: (key) => KIT_NAMES[key] ?? key,
});
