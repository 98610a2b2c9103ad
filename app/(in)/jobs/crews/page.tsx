import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { hoursText } from '@/core/schedule/hours';
import { crewsView } from '@/views/jobs';
import { allows, todayOf, viewer } from '@/app/_server/viewer';
import { AbsenceForm, CrewForm, TakeBack } from './crews.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Crews' };

export default async function Crews() {
  const v = await viewer();
  const { crews, people, away } = await crewsView(v, clockNow());
  const may = allows(v, 'plan rounds');
  const here = people.filter((p) => p.active);
  const loose = here.filter((p) => !crews.some((c) => c.active && c.people.some((x) => x.id === p.id)));
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Crews</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Go out">{crews.filter((c) => c.active).length}</TagLine>
        <TagLine name="In no crew">{loose.length}</TagLine>
        <TagLine name="Away">{away.length}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <p className="text-[0.9375rem]">
      A crew is who goes out together in one vehicle. Its licences are those of its people on that day; with fewer than
      its least number it stays at home. Hours are by the clock of the places.
    </p>
  );
  return (
    <Frame tag={tag} margin={margin} handle="What a crew is">
      <h1>Who goes out together</h1>
      {!crews.length && <p className="mt-3">Nobody yet. Make the first crew below.</p>}
      {crews.map((c) => (
        <Section key={c.id} title={c.name} aside={c.active ? `at least ${c.least}` : 'does not go out any more'}>
          <p>{c.people.map((p) => p.name).join(', ') || 'Nobody is in it.'}</p>
          <p className="text-[0.9375rem] whitespace-pre-line text-ink-2">{hoursText(c.hours)}</p>
          {may && <CrewForm crew={c} people={here.map(({ id, name }) => ({ id, name }))} />}
        </Section>
      ))}
      {may && (
        <Section title="A new crew">
          <CrewForm crew={null} people={here.map(({ id, name }) => ({ id, name }))} />
        </Section>
      )}
      <Section title="Away">
        {!away.length && <p className="text-ink-2">Nobody is away from today on.</p>}
        <ul>
          {away.map((a) => (
            <li key={a.id} className="row flex flex-wrap items-center justify-between gap-3 py-2">
              <span>
                <b>{a.name}</b>, {shortDay(a.from)} to {shortDay(a.to)}
                {a.why && `: ${a.why}`}
              </span>
              {may && <TakeBack id={a.id} name={a.name} />}
            </li>
          ))}
        </ul>
        {may && <AbsenceForm people={here.map(({ id, name }) => ({ value: id, name }))} today={todayOf(v)} />}
      </Section>
    </Frame>
  );
}
