import { STAGE_NAMES, stageWords, type Bbch } from '@/core/season/bbch';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { stagesOf } from '@/core/season/growth';
import type { Fitness, HostSeason, SiteSeason } from '@/views/schedule';
import { findCondition, growthOf } from '@/knowledge';
import { Section } from '@/ui/frame/pieces';
import { coverWords, expectedWords, stageReason, spanWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';
import { OwnHeat } from './own-heat.client';
import { NoteBiofix, NoteStage } from './note.client';
import { causeWords } from './words';

/** Stages near today, which somebody may see now, and the rest of what the host has. */
function stagesToSay({ host, year }: HostSeason, today: LocalDate): { likely: Bbch[]; others: Bbch[] } {
  const growth = growthOf(host);
  const all = growth ? [...stagesOf(growth)].sort((a, b) => a - b) : [];
  const apart = (code: Bbch) =>
    Math.min(...year.stages.filter((s) => s.code === code).map((s) => Math.abs(Date.parse(s.day) - Date.parse(today))));
  const byDay = [...all].sort((a, b) => apart(a) - apart(b));
  return { likely: byDay.slice(0, 4).sort((a, b) => a - b), others: byDay.slice(4).sort((a, b) => a - b) };
}

/** What each host of the place is at, what comes next, and a touch to say what is seen. */
export function Stages({ at, mayNote }: { at: SiteSeason; mayNote: boolean }) {
  const { today } = at;
  return (
    <Section
      title="What stands where"
      aside="what is seen moves what follows"
      empty={at.hosts.length === 0 && 'No tree stands here yet.'}
    >
      <ul>
        {at.hosts.map((h) => {
          const to = h.year.stages.filter((s) => s.day > today).sort((a, b) => a.day.localeCompare(b.day))[0];
          return (
            <li key={h.host.id} className="row flex flex-wrap items-center gap-x-6 gap-y-1 py-2.5">
              <div className="min-w-0 flex-1 basis-72">
                <p>
                  <b>{h.host.name}</b>: {h.now.map((s) => STAGE_NAMES[s.code]).join(', ') || 'not known yet'}
                </p>
                {to && (
                  <p className="text-[0.9375rem] text-ink-2">
                    Next {stageWords(to.code)} {spanWords(to.earliest, to.latest)}, {stageReason(to)}.
                  </p>
                )}
                {!h.basis && (
                  <p className="text-[0.9375rem] text-ink-2">
                    Nobody here can say how it grows; it keeps to the calendar.
                  </p>
                )}
                {h.basis && at.place.lat === null && (
                  <p className="text-[0.9375rem] text-ink-2">
                    Say where this place lies, and its stages follow from its heat.
                  </p>
                )}
              </div>
              {mayNote && h.basis && (
                <NoteStage
                  siteId={at.place.id}
                  treeId={null}
                  today={today}
                  hostId={h.host.id}
                  hostName={h.host.name}
                  {...stagesToSay(h, today)}
                />
              )}
            </li>
          );
        })}
      </ul>
    </Section>
  );
}

const capital = (words: string) => words.slice(0, 1).toUpperCase() + words.slice(1);

/** What heat brings here, and what it is counted from where somebody must see that first. */
export function Heat({ at, mayNote, mayAdd }: { at: SiteSeason; mayNote: boolean; mayAdd: boolean }) {
  const told = at.hosts.flatMap((h) => h.year.heat);
  const { models } = at;
  return (
    <Section title="What heat brings" empty={models.length === 0 && 'No sum of heat is known for what stands here.'}>
      <ul>
        {models.map((m) => {
          const found = told.filter((x) => x.modelId === m.id);
          // What came lately is told as long as it matters.
          const date = found.find((x) => x.latest >= dayAfter(at.today, -45, 'days')) ?? found.at(-1);
          return (
            <li key={m.id} className="row flex flex-wrap items-center justify-between gap-x-6 gap-y-1 py-2.5">
              <p className="min-w-0 flex-1 basis-72">
                <b>{capital(m.what)}</b>
                <span className="block text-[0.9375rem] text-ink-2">
                  {m.sum} degree-days above {m.baseC} °C from {m.from === 'new year' ? 'the new year' : m.from}
                  {date ? expectedWords({ kind: 'heat', date }) : ''}.
                </span>
              </p>
              {mayNote && m.from !== 'new year' && (
                <NoteBiofix siteId={at.place.id} treeId={null} today={at.today} modelId={m.id} words={m.from} />
              )}
            </li>
          );
        })}
      </ul>
      {mayAdd && <OwnHeat hosts={at.hosts.map((h) => ({ value: h.host.id, name: h.host.name }))} />}
    </Section>
  );
}

export function Infections({ at }: { at: SiteSeason }) {
  const shown = at.events.filter((e) => e.day >= dayAfter(at.today, -30, 'days'));
  return (
    <>
      {at.events.length > 0 && (
        <Section
          title="Infections"
          aside="of the last month, and in the forecast"
          empty={shown.length === 0 && 'None in the last month.'}
        >
          <ul>
            {shown.map((e) => (
              <li key={`${e.conditionId}${e.day}`} className="row py-2">
                <p>
                  <b className="figures">{shortDay(e.day)}</b> <b>{findCondition(e.conditionId)?.name}</b> on{' '}
                  {e.hosts.join(', ').toLowerCase()}
                  {e.chance === 1 && e.cover !== null && e.cover >= 0.5 ? ', covered' : ''}
                </p>
                <p className="text-[0.9375rem] text-ink-2">{causeWords(e)}.</p>
              </li>
            ))}
          </ul>
        </Section>
      )}
      {at.covers.length > 0 && (
        <Section title="Cover on the leaves">
          <ul>
            {at.covers.map((c) => (
              <li key={`${c.product}${c.doneOn}${c.hostId}`} className="row py-2">
                <b>{c.product}</b>, {shortDay(c.doneOn)}, {c.trees} {c.trees === 1 ? 'tree' : 'trees'}:{' '}
                {coverWords(c.left)}.
              </li>
            ))}
          </ul>
        </Section>
      )}
    </>
  );
}

const KINDS: Record<Fitness['id'], string> = {
  spray: 'Spraying: 1–4.5 m/s, dry leaves, dry for 6 h',
  injection: 'Injecting: 8–30 °C, no rain',
  drench: 'Drenching: no rain for 12 h',
};

/** The kinds of work whose days are told, in a word. */
export const FIT_NAMES: Record<Fitness['id'], string> = { spray: 'Spray', injection: 'Inject', drench: 'Drench' };

/** How the ten days of the forecast serve the usual kinds of work, day by day. */
export function DaysAhead({ at }: { at: SiteSeason }) {
  if (!at.fitness.some((f) => f.days.length))
    return (
      <Section
        title="The days ahead"
        empty="No forecast is at hand here. Each sheet asks for air, wind and rain when the work begins."
      />
    );
  return (
    <Section title="The days ahead" aside="how many courses of the forecast allow it, and its best hours">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The days ahead as a table">
        <table className="figures w-full text-[0.9375rem]">
          <thead>
            <tr>
              <th className="text-left">Work</th>
              {at.fitness[0]?.days.map((d) => (
                <th key={d.day} className="px-1 text-left whitespace-nowrap">
                  {shortDay(d.day).replace(/ \d{4}$/, '')}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {at.fitness.map((f) => (
              <tr key={f.id} className="border-t border-line-2 align-top">
                <th className="max-w-48 pr-3 text-left font-semibold">{KINDS[f.id]}</th>
                {f.days.map((d) => (
                  <td key={d.day} className="px-1 py-1">
                    <span
                      className={`block h-3 border border-ink-2 ${d.chance >= 0.6 ? 'bg-cambium' : 'bg-sheet'}`}
                      style={{ width: `${Math.max(4, d.chance * 100)}%` }}
                    />
                    <span className="whitespace-nowrap">{Math.round(d.chance * 100)} %</span>
                    <span className="block text-small text-ink-2">{d.from === null ? '' : `${d.from}–${d.to}`}</span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-small text-ink-2">A forecast plans; what is so on the day is asked at the tree.</p>
    </Section>
  );
}
