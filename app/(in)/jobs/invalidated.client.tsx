'use client';

import Link from 'next/link';
import { limitWords } from '@/core/schedule/words';
import { useAsked } from '@/ui/controls/query.client';
import { Section } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import type { InvalidatedDays } from '@/views/jobs';
import { KIT_NAMES } from './kits';

/** Tells which jobs of the kept rounds cannot stand where they stand any more, and leads to days and crews that can. */
export function InvalidatedJobs({ drawnAt }: { drawnAt: string }) {
  const { told } = useAsked<InvalidatedDays>('/api/jobs/invalidated', drawnAt);
  if (!told?.jobs.length) return null;
  const names = {
    crew: (id: string) => told.crews[id] ?? 'another crew',
    place: (id: string) => told.places[id] ?? 'another place',
    job: () => 'something else',
    kit: (key: string) => KIT_NAMES[key] ?? key,
  };
  return (
    <Section title="Something has turned" aside="since these rounds were kept">
      <ul>
        {told.jobs.map((j) => (
          <li key={j.jobId} className="row py-2">
            <p>
              <b>{j.title}</b> ({j.tags}), {names.crew(j.crewId)} on <b className="figures">{shortDay(j.day)}</b>
            </p>
            <p className="text-[0.9375rem] text-ink-2">{limitWords(j.limit, names)}</p>
          </li>
        ))}
      </ul>
      <Link className="press press-main mt-3 inline-block" href="/jobs/fortnight">
        Find other days: little else moves
      </Link>
    </Section>
  );
}
