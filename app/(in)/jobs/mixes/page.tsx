import Link from 'next/link';
import { z } from 'zod';
import { refusal } from '@/core/people/rights';
import { showFill, showVolume } from '@/lib/units/units';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { mixView } from '@/views/mix';
import { allows, viewer } from '@/app/_server/viewer';
import { MixBench } from './mix.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Mix' };
const asked = z.object({ plan: z.uuid().optional().catch(undefined), round: z.uuid().optional().catch(undefined) });

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const v = await viewer();
  const { plan, round } = asked.parse(await searchParams);
  const mix = plan ? await mixView(v, plan, round ?? null, clockNow()) : null;
  if (!mix)
    return (
      <Frame tag={<p className="text-head leading-tight font-extrabold">Mix</p>} margin={null}>
        <h1>Nothing of this is mixed</h1>
        <p className="mt-2">It is done or dropped, or it is given undiluted from its own bottle.</p>
        <p className="mt-4">
          <Link className="press press-main" href={round ? `/jobs/day/${round}` : '/jobs'}>
            {round ? 'Its round' : 'Jobs'}
          </Link>
        </p>
      </Frame>
    );
  const notWith = mix.label.notWith.map((n) => n.what);
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">Mix</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Trees">{mix.trees.length}</TagLine>
            <TagLine name="In all">{showVolume(mix.recipe.mixMl, v.units).text}</TagLine>
            <TagLine name="Lots">{mix.lots.length}</TagLine>
          </dl>
        </>
      }
      margin={
        <>
          <section>
            <h2 className="text-body">For each tree</h2>
            <ul>
              {mix.trees.map((t) => (
                <li key={t.planId} className="row flex items-baseline justify-between gap-3 py-1.5">
                  <span>
                    <b>{t.tag}</b> <span className="text-[0.9375rem] text-ink-2">{t.siteName}</span>
                  </span>
                  <b className="figures">{showFill(t.mixMl, v.units).text}</b>
                </li>
              ))}
            </ul>
          </section>
          <section>
            <h2 className="text-body">As the label has it</h2>
            <p className="text-[0.9375rem]">
              {mix.label.stock ? `${mix.label.stock.text} ` : ''}
              {mix.label.mixKeepsHours
                ? `A mix keeps ${mix.label.mixKeepsHours} hours.`
                : 'The label gives a mix no life: it is used on the day it is made.'}
              {notWith.length > 0 && ` Never in one tank with ${notWith.join(', ')}.`}
            </p>
          </section>
        </>
      }
      handle="For each tree"
    >
      <MixBench
        mix={mix}
        units={v.units}
        crewDayId={round ?? null}
        refused={allows(v, 'apply') ? null : refusal(v.role, 'apply')}
      />
    </Frame>
  );
}
