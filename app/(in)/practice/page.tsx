import { companySouth } from '@/facts/region';
import { localMonth } from '@/lib/calendar/hemisphere';
import Link from 'next/link';
import { monthName } from '@/lib/calendar/months';
import { LEVELS, practiceCase } from '@/core/practice/round';
import { findHost } from '@/knowledge';
import { practiceView } from '@/views/practice';
import { finder } from '@/facts/diagnosis';
import { idOr404, viewer } from '@/app/_server/viewer';
import { Series } from '@/ui/figures/series';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { PracticeBench } from './practice.client';

export const metadata = { title: 'Practice round' };

/** Cases to practise on, drawn from the base by seed or from the company's own closed ones. */
export default async function Page({
  searchParams,
}: {
  searchParams: Promise<{ seed?: string; level?: string; own?: string }>;
}) {
  const [v, q] = await Promise.all([viewer(), searchParams]);
  const { knowledge, rounds, closed, own } = await practiceView(v, q.own ? idOr404(q.own) : null);
  const level = LEVELS.find((l) => String(l.level) === q.level)?.level ?? 1;
  // The next case follows from how many were done: the same page shows the same case, and no clock is asked.
  const seed = /^\d{1,9}$/.test(q.seed ?? '') ? Number(q.seed) : rounds.length * 17 + level * 1000 + 1;
  const drawn = own ?? practiceCase(knowledge, seed, level);
  const host = findHost(drawn.hostId)!;
  const month = monthName(localMonth(drawn.month, companySouth(v)));
  const find = finder(knowledge);
  const mean = rounds.length ? Math.round(rounds.reduce((s, r) => s + r.score, 0) / rounds.length) : null;
  return (
    <Frame
      tag={
        <div>
          <p className="text-lead leading-tight font-extrabold">Practice round</p>
          <p className="mt-1 text-[0.9375rem] text-ink-2">{own ? 'a closed case of ours' : `case ${seed}`}</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Host">{host.name}</TagLine>
            <TagLine name="Month">{month}</TagLine>
            <TagLine name="Level">{own ? 'own' : level}</TagLine>
            <TagLine name="Rounds done">{rounds.length}</TagLine>
            <TagLine name="Mean score">{mean ?? '–'}</TagLine>
          </dl>
          <ul className="mt-4">
            {LEVELS.map((l) => (
              <li key={l.level} className="py-1">
                <Link
                  href={`/practice?level=${l.level}`}
                  className={`underline underline-offset-3 ${!own && l.level === level ? 'font-bold' : ''}`}
                >
                  {l.level}. {l.name}
                </Link>
                <span className="block text-small text-ink-2">{l.about}</span>
              </li>
            ))}
          </ul>
        </div>
      }
      margin={
        <>
          <Section title="Your rounds" empty={rounds.length === 0 && 'None yet. Each one stands here with its score.'}>
            {rounds.length > 1 && (
              <Series
                points={[...rounds].reverse().map((r) => ({ at: r.at.getTime(), value: r.score }))}
                show={(x) => String(Math.round(x))}
                what="Score"
              />
            )}
            <ul>
              {rounds.slice(0, 8).map((r) => (
                <li key={r.id} className="row flex justify-between gap-2 py-1.5 text-[0.9375rem]">
                  <span>
                    {find(r.data.truth)?.name ?? r.data.truth}
                    {r.data.said !== r.data.truth && (
                      <span className="block text-small text-ink-2">
                        taken for {find(r.data.said)?.name ?? r.data.said}
                      </span>
                    )}
                  </span>
                  <b className="figures">{r.score}</b>
                </li>
              ))}
            </ul>
          </Section>
          <section>
            <h2 className="text-body">Our own closed cases</h2>
            {closed.length === 0 && (
              <p className="text-ink-2">None yet: a case closes when it is near certain or confirmed.</p>
            )}
            <ul>
              {closed.slice(0, 10).map((c, i) => (
                <li key={c.id} className="row">
                  <Link
                    href={`/practice?own=${c.id}`}
                    className="block py-1.5 text-[0.9375rem] underline underline-offset-3"
                  >
                    Case {i + 1}: {findHost(c.hostId)?.name.toLowerCase()}, {c.findings.length + c.tests.length} looks
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        </>
      }
      handle="Levels and your rounds"
    >
      <PracticeBench
        key={q.own ?? `${seed}/${level}`}
        seed={seed}
        level={level}
        own={own ? (q.own ?? null) : null}
        host={host.name}
        month={month}
        drawn={drawn}
        names={Object.fromEntries(drawn.model.conditions.map((c) => [c.id, c.name]))}
      />
    </Frame>
  );
}
