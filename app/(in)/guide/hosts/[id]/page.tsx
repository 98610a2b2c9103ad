import Link from 'next/link';
import { notFound } from 'next/navigation';
import { COMMON_WORDS } from '@/core/diagnose/words';
import { COMMON_TITLES } from '../../common';
import { commonOn, concerns } from '@/core/diagnose/reading';
import { STAGE_NAMES } from '@/core/season/bbch';
import { stagesOf } from '@/core/season/growth';
import { conditionsNow, findHost, growthOf } from '@/knowledge';
import { leafOf } from '@/knowledge/leaf-forms';
import { viewer } from '@/app/_server/viewer';
import { showTrunk } from '@/lib/units/units';
import { LeafFigure } from '@/ui/figures/leaf-form';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';

const BEES = { no: 'leave it', yes: 'visit it', strongly: 'live on it' } as const;

export async function generateMetadata({ params }: { params: Promise<{ id: string }> }) {
  await viewer();
  return { title: findHost((await params).id)?.name ?? 'Host' };
}

/** One host: its leaf, what confirms it and what it is taken for, how it grows, what it bears badly, and what ails it how often. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const host = findHost((await params).id);
  if (!host || host.unlisted) return notFound();
  const leaf = leafOf(host);
  const growth = growthOf(host);
  const takenFor = [...new Set(host.key.flatMap((k) => k.ifNot))].flatMap((id) => findHost(id) ?? []);
  // What every tree may have says nothing of this one.
  const ails = conditionsNow().filter((c) => c.groups.length > 0 && concerns(c.groups, host) && c.kind !== 'harmless');
  return (
    <Frame
      tag={
        <div>
          <p className="text-head leading-tight font-extrabold">{host.name}</p>
          <p className="mt-1 italic">{host.latin}</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Bees">{BEES[host.beePlant]}</TagLine>
            <TagLine name="Eaten or tapped">{host.edible ? 'yes' : 'no'}</TagLine>
            <TagLine name="Leaves">{host.evergreen ? 'all year' : 'fall'}</TagLine>
            <TagLine name="Trunk to">{showTrunk(host.largestCm, v.units).text}</TagLine>
            <TagLine name="Grows a year">{showTrunk(host.growthCmPerYear, v.units).text}</TagLine>
          </dl>
          <p className="mt-4">
            <Link href="/guide/hosts" className="underline underline-offset-3">
              All leaves
            </Link>
          </p>
        </div>
      }
      margin={
        <section>
          <h2 className="text-body">Taken for</h2>
          {takenFor.length === 0 && <p className="text-ink-2">Nothing in particular.</p>}
          <ul>
            {takenFor.map((h) => {
              const other = leafOf(h);
              return (
                <li key={h.id} className="row flex items-center gap-3 py-2">
                  <LeafFigure
                    form={other.form}
                    sits={other.sits}
                    name={h.name.toLowerCase()}
                    size={72}
                    caption={false}
                  />
                  <span className="min-w-0 text-[0.9375rem]">
                    <Link href={`/guide/hosts/${h.id}`} className="font-bold underline underline-offset-3">
                      {h.name}
                    </Link>
                    <span className="block text-small text-ink-2">{other.look}</span>
                  </span>
                </li>
              );
            })}
          </ul>
        </section>
      }
      handle="What it is taken for"
    >
      <h1>{host.name}</h1>
      <div className="mt-3 flex flex-wrap items-start gap-5">
        <LeafFigure form={leaf.form} sits={leaf.sits} name={host.name.toLowerCase()} />
        <div className="min-w-0 flex-1 basis-64">
          <p className="text-lead">{leaf.look}</p>
          <ol className="mt-3">
            {host.key.map((k) => (
              <li key={k.ask} className="row py-2">
                <b>{k.ask}</b>
                {k.ifNot.length > 0 && (
                  <span className="block text-[0.9375rem] text-ink-2">
                    If not: {k.ifNot.map((id) => findHost(id)?.name.toLowerCase() ?? id.replace(/-/g, ' ')).join(', ')}
                  </span>
                )}
              </li>
            ))}
          </ol>
        </div>
      </div>
      <Section title="What holds for it">
        <div className="space-y-1 py-1">
          {host.also.length > 0 && (
            <p>
              <b>Also called:</b> {host.also.join(', ')}
            </p>
          )}
          {host.sensitive.length > 0 && (
            <p>
              <b>Is burnt or poisoned by:</b> {host.sensitive.join(', ')}
            </p>
          )}
          {host.rootstock && (
            <p>
              <b>On a rootstock:</b> {host.rootstock}
            </p>
          )}
          <p>
            <b>Through the year:</b>{' '}
            {growth
              ? `${stagesOf(growth)
                  .map((s) => STAGE_NAMES[s])
                  .join(', ')}.`
              : 'by the calendar; no sum of heat that we could stand behind tells its stages.'}
          </p>
          {growth && <p className="text-small text-ink-2">{growth.basis}</p>}
        </div>
      </Section>
      {COMMON_WORDS.map((often) => {
        const of = ails.filter((c) => commonOn(c, host) === often);
        return (
          of.length > 0 && (
            <Section key={often} title={COMMON_TITLES[often]} aside="where it is at home">
              <ul className="columns-2 gap-8 phone:columns-1">
                {of.map((c) => (
                  <li key={c.id} className="row break-inside-avoid">
                    <Link href={`/guide/${c.id}`} className="block min-h-10 py-2 underline underline-offset-3">
                      {c.name} <span className="text-small text-ink-2">{c.kind}</span>
                    </Link>
                  </li>
                ))}
              </ul>
            </Section>
          )
        );
      })}
    </Frame>
  );
}
