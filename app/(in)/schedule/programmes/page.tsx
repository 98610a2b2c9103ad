import Link from 'next/link';
import { z } from 'zod';
import type { YearProgramme } from '@/core/programmes/schema';
import type { AssignmentHead } from '@/store/assignments';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { programmesView } from '@/views/programmes';
import { allows, viewer } from '@/app/_server/viewer';
import { groupsWords, SCHOOL_WORDS } from './words';

export const metadata = { title: 'Programmes' };
const asked = z.object({ place: z.uuid().optional().catch(undefined) });

export default async function Programmes({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[]>>;
}) {
  const v = await viewer();
  const { place } = asked.parse(await searchParams);
  const { shipped, own, assignment } = await programmesView(v, place ?? null);
  const inForce = assignment.filter((l) => l.endedOn === null);
  const to = (p: YearProgramme) => `/schedule/programmes/${p.key}${place ? `?place=${place}` : ''}`;
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Programmes</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Laid">{inForce.length}</TagLine>
        <TagLine name="Visits planned">{inForce.reduce((sum, l) => sum + l.open, 0)}</TagLine>
        <TagLine name="Wait for a look">{inForce.reduce((sum, l) => sum + l.waiting, 0)}</TagLine>
        <TagLine name="Left out">{inForce.reduce((sum, l) => sum + l.left, 0)}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <section>
      <h2 className="text-body">What a programme is</h2>
      <p className="text-[0.9375rem]">
        Steps over a year or years, each with its time: a stage of the host, a sum of heat, months, or so long after
        another step. Laid over trees, each step gets its day, its product and its dose, and every visit counts those
        before it.
      </p>
      <p className="text-[0.9375rem]">
        A step that waits for a look is drawn broken: it is planned once somebody says what the look found.
      </p>
      <p className="text-[0.9375rem]">They are examples of good practice. The label and local rules come first.</p>
    </section>
  );
  return (
    <Frame tag={tag} margin={margin} handle="What a programme is">
      <h1>Programmes of the year</h1>
      {inForce.length > 0 && (
        <Section title="Laid over trees" aside={`${inForce.length} in force`}>
          <ul>
            {inForce.map((l) => (
              <AssignmentRow key={l.id} assignment={l} />
            ))}
          </ul>
        </Section>
      )}
      {own.length > 0 && (
        <Section title="Your own" aside={`${own.length}`}>
          <ul>
            {own.map(({ programme, version, byName }) => (
              <ProgrammeRow key={programme.key} programme={programme} href={to(programme)}>
                Version {version}, {byName}
              </ProgrammeRow>
            ))}
          </ul>
        </Section>
      )}
      <Section
        title="That ship"
        aside={allows(v, 'edit the guide') ? 'copy one to make it your own' : `${shipped.length} programmes`}
      >
        <ul>
          {shipped.map((p) => (
            <ProgrammeRow key={p.key} programme={p} href={to(p)} />
          ))}
        </ul>
      </Section>
      {assignment.length > inForce.length && (
        <Section title="Ended">
          <ul>
            {assignment
              .filter((l) => l.endedOn !== null)
              .map((l) => (
                <AssignmentRow key={l.id} assignment={l} />
              ))}
          </ul>
        </Section>
      )}
    </Frame>
  );
}

function AssignmentRow({ assignment: l }: { assignment: AssignmentHead }) {
  return (
    <li className="row py-2.5">
      <Link href={`/schedule/programmes/assigned/${l.id}`} className="block min-h-hand">
        <b className="block">
          {l.programme.name}, {l.siteName}
        </b>
        <span className="block text-[0.9375rem] text-ink-2">
          {l.trees} {l.trees === 1 ? 'tree' : 'trees'}, {l.done} visits done, {l.open} planned
          {l.next && l.endedOn === null && `, the next ${shortDay(l.next)}`}
          {l.waiting > 0 && `; ${l.waiting} wait for a look`}
          {l.left > 0 && `; ${l.left} left out`}
          {l.endedOn && `; ended ${shortDay(l.endedOn)}: ${l.endedBecause}`}
        </span>
      </Link>
    </li>
  );
}

function ProgrammeRow({
  programme: p,
  href,
  children,
}: {
  programme: YearProgramme;
  href: string;
  children?: React.ReactNode;
}) {
  return (
    <li className="row py-2.5">
      <Link href={href} className="block min-h-hand">
        <b className="block">{p.name}</b>
        <span className="block">{p.about}</span>
        <span className="block text-[0.9375rem] text-ink-2">
          {groupsWords(p)}; {SCHOOL_WORDS[p.school]}; {p.steps.length} steps
          {p.years > 1 && `, ${p.years} years`}
          {children && <>; {children}</>}
        </span>
      </Link>
    </li>
  );
}
