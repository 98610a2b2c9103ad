import Link from 'next/link';
import { aboutWords, tagsOf } from '@/facts/about';
import { fortnightView } from '@/views/jobs';
import type { Answer } from '@/core/schedule/solve';
import type { JobOf } from '@/core/schedule/jobs';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { stationFor } from '@/app/_server/station';
import { allows, viewer } from '@/app/_server/viewer';
import { PlanFortnight } from './fortnight.client';
import { OverPlans } from '../over';
import type { Told } from './told';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'The fortnight' };

/** The round in which a job stands, as an answer of the search would have it. */
function standing(
  jobs: readonly JobOf[],
  rounds: Awaited<ReturnType<typeof fortnightView>>['rounds'],
): Answer['rounds'] {
  return rounds.map((r) => {
    const stops = new Map<string, Answer['rounds'][number]['stops'][number]>();
    for (const item of r.items) {
      const job = jobs.find((j) => j.id === item.itemId);
      if (!job) continue;
      const stop = stops.get(job.siteId) ?? {
        siteId: job.siteId,
        jobIds: [],
        arrive: item.begins,
        begin: item.begins,
        end: item.begins,
      };
      stop.jobIds.push(job.id);
      stops.set(job.siteId, stop);
    }
    return { day: r.day, crewId: r.crewId, stops: [...stops.values()], driving: 0, leave: 0, home: 0 };
  });
}

export default async function FortnightPage() {
  const v = await viewer();
  const { problem, places, crews, away, passed, rounds, more } = await fortnightView(v, clockNow(), stationFor);
  const may = allows(v, 'plan rounds');
  const told: Told = {
    jobs: Object.fromEntries(
      problem.jobs.map((j) => {
        const first = j.items[0]!;
        const href =
          first.about.kind === 'plan' ? `/trees/${first.treeId}/treat?plan=${first.id}` : `/trees/${first.treeId}`;
        return [j.id, { title: aboutWords(first.about), tags: tagsOf(j), href, itemIds: j.items.map((i) => i.id) }];
      }),
    ),
    places: Object.fromEntries(places.map((p) => [p.id, { name: p.name, client: p.clientName }])),
    crews: Object.fromEntries(crews.map((c) => [c.id, c.name])),
  };
  const hands = problem.jobs.reduce((sum, j) => sum + j.minutes, 0);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">The fortnight</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Crews">{crews.length}</TagLine>
        <TagLine name="Places">{places.length}</TagLine>
        <TagLine name="Jobs">{problem.jobs.length}</TagLine>
        <TagLine name="At the trees">{`${Math.round(hands / 60)} h`}</TagLine>
        {passed.length > 0 && <TagLine name="Time is over">{passed.length}</TagLine>}
      </dl>
    </>
  );
  return (
    <Frame tag={tag} margin={<Margin crews={crews} away={away} />} handle="Crews, and what decides">
      {crews.length === 0 ? (
        <>
          <h1>Nobody goes out yet</h1>
          <p className="mt-3">
            Say who goes out together, when and from where; then days are found for what waits.{' '}
            <Link href="/jobs/crews">Make a crew</Link>
          </p>
        </>
      ) : (
        <PlanFortnight
          problem={{ ...problem, jobs: problem.jobs.map(({ items: _, ...j }) => j) }}
          standing={standing(problem.jobs, rounds)}
          told={told}
          may={may}
        />
      )}
      {more && <p className="mt-4 font-semibold">More waits than is planned at once: the soonest of it stands here.</p>}
      <OverPlans
        plans={passed.map((p) => ({ ...p, siteName: told.places[p.siteId]?.name ?? '', assignmentId: null }))}
        may={allows(v, 'prescribe')}
      />
    </Frame>
  );
}

function Margin({ crews, away }: Pick<Awaited<ReturnType<typeof fortnightView>>, 'crews' | 'away'>) {
  return (
    <>
      <section>
        <h2 className="text-body">Who goes out</h2>
        <ul className="text-[0.9375rem]">
          {crews.map((c) => (
            <li key={c.id} className="row py-1.5">
              <b>{c.name}</b>: {c.people.map((p) => p.name).join(', ') || 'nobody'}
            </li>
          ))}
          {away.map((a) => (
            <li key={a.id} className="row py-1.5">
              {a.name} is away from {shortDay(a.from)} to {shortDay(a.to)}
              {a.why && `: ${a.why}`}
            </li>
          ))}
        </ul>
        <p className="mt-2">
          <Link href="/jobs/crews">Crews, hours, who is away</Link>
        </p>
      </section>
      <section className="mt-6 text-[0.9375rem]">
        <h2 className="text-body">What decides a day</h2>
        <p className="mt-1">
          Kept in any case: the span of each visit, licences, the hours of crews and places, intervals, re-entry, what
          hangs is pulled the same day, one set of kit in one place.
        </p>
        <p className="mt-2">
          Weighed: what a miss would cost, the air by the forecast, the day it was planned for, what a client was told,
          driving, setting up, coming once for all.
        </p>
        <p className="mt-2">
          A forecast plans. On the day the station and your own reading decide, on the sheet of each tree.
        </p>
      </section>
    </>
  );
}
