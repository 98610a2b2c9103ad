import Link from 'next/link';
import type { Condition, Knowledge, Sign } from '@/core/diagnose/knowledge';
import { OFTEN, OFTEN_WORDS } from '@/core/diagnose/words';
import { besideOf } from '@/knowledge/beside';
import { Fact, Section, TagLine } from '@/ui/frame/pieces';
import { lifeTimeWords } from '@/ui/season-words';
import { BackToGuide } from '../back';

/** A condition in a few lines: its season, how common it is, and until when it can be cured. */
export function ConditionTag({
  condition: c,
  south,
  mayEdit,
}: {
  condition: Condition;
  south: boolean;
  mayEdit: boolean;
}) {
  return (
    <div>
      <p className="text-head leading-tight font-extrabold">{c.name}</p>
      {c.latin && <p className="mt-1 italic">{c.latin}</p>}
      <p className="mt-1 text-ink-2">{c.kind}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Season">{lifeTimeWords({ by: 'months', from: c.season[0], to: c.season[1] }, south)}</TagLine>
        <TagLine name="How common">{c.common}</TagLine>
        <TagLine name="To cure, be">{c.curativeNeeds}</TagLine>
        {c.crownLossLimit !== undefined && <TagLine name="Crown loss to">{c.crownLossLimit} %</TagLine>}
        <TagLine name="Report">{c.reportable ? 'ask' : 'no'}</TagLine>
      </dl>
      <BackToGuide />
      {c.id.startsWith('own-') && mayEdit && (
        <p className="mt-2 print:hidden">
          <Link href={`/guide/new?what=condition&from=${c.id}#form`} className="underline underline-offset-3">
            Change our entry
          </Link>
        </p>
      )}
    </div>
  );
}

/** The signs of a condition, by how often it shows them. */
export function Shows({ condition: c, signs }: { condition: Condition; signs: ReadonlyMap<string, Sign> }) {
  return (
    <Section title="What it shows" aside="of ten cases, so many">
      <ul>
        {OFTEN_WORDS.flatMap((w) =>
          c.signs[w].map((s) => (
            <li key={s} className="row grid grid-cols-[96px_64px_1fr] items-center gap-3 py-1.5">
              <span className="font-bold">{w}</span>
              <span aria-hidden className="h-3 border border-ink">
                <span className="block h-full bg-cambium" style={{ width: `${OFTEN[w] * 100}%` }} />
              </span>
              <span>
                {signs.get(s)?.words ?? s} <span className="text-small text-ink-2">{signs.get(s)?.place}</span>
              </span>
            </li>
          )),
        )}
      </ul>
    </Section>
  );
}

/** Tests that tell of a condition. */
export function Tests({ condition: c, knowledge }: { condition: Condition; knowledge: Knowledge }) {
  return (
    <Section title="Tests">
      <dl>
        <Fact name="Settled by">{c.decidingTest}</Fact>
        {Object.entries(c.tests).map(([t, outcomes]) => {
          const test = knowledge.tests.find((x) => x.id === t);
          return (
            <Fact key={t} name={`${test?.name}, ${test?.minutes} min`}>
              {Object.entries(outcomes)
                .map(([o, w]) => `${test?.outcomes.find((x) => x.id === o)?.words ?? o}: ${w}`)
                .join('; ')}
            </Fact>
          );
        })}
      </dl>
    </Section>
  );
}

/** What stands beside its treatment: wrong treatments, enemies, replanting, what may be eaten, and whom to protect. */
export function BesideTreatment({ condition: c }: { condition: Condition }) {
  const { enemies, replanting, eaten, wrong } = besideOf(c);
  return (
    <>
      {wrong.length > 0 && (
        <details className="mt-1">
          <summary className="min-h-hand py-2 font-bold">What each wrong treatment would do</summary>
          <dl className="pb-2">
            {wrong.map((w) => (
              <Fact key={w.what} name={w.what}>
                {w.does}
              </Fact>
            ))}
          </dl>
        </details>
      )}
      {enemies && (
        <p className="mt-1">
          <b>What eats it:</b> {enemies.who}
          {enemies.spare && (
            <>
              {' '}
              <b>They are spared so:</b> {enemies.spare}
            </>
          )}
        </p>
      )}
      {replanting && (
        <p className="mt-1">
          <b>What is planted again:</b> {replanting}
        </p>
      )}
      {eaten && (
        <p className="mt-1">
          <b>What may still be eaten:</b> {eaten}
        </p>
      )}
      {c.protect && (
        <p className="mt-1">
          <b>Sound trees:</b> protect within {c.protect.withinKm} km of a find. {c.protect.why}
        </p>
      )}
    </>
  );
}
