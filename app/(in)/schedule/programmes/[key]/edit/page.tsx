import { notFound } from 'next/navigation';
import { programmeNamed } from '@/facts/assigning';
import { refusal } from '@/core/people/rights';
import { METHODS, METHOD_NAMES } from '@/core/label/methods';
import { STAGE_NAMES, STAGES } from '@/core/season/bbch';
import { monthName } from '@/lib/calendar/months';
import { worksNow } from '@/knowledge/works';
import { conditionsNow, heatModels, hostsNow, trainingLabels } from '@/knowledge';
import { customHeatModels } from '@/store/season';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { allows, viewer } from '@/app/_server/viewer';
import { Editor } from './editor.client';

export const metadata = { title: 'Change a programme' };

export default async function Page({ params }: { params: Promise<{ key: string }> }) {
  const v = await viewer();
  const [programme, ownHeat] = await Promise.all([programmeNamed(v, (await params).key), customHeatModels(v)]);
  if (!programme) return notFound();
  const own = programme.key.startsWith('own-');
  const families = [...new Set(trainingLabels.flatMap((l) => l.actives.map((a) => a.family)))].sort();
  const groups = [
    ...new Set(
      hostsNow()
        .filter((h) => !h.unlisted)
        .flatMap((h) => [h.id, ...h.groups]),
    ),
  ].sort();
  const named = <T extends string | number>(of: readonly T[], name: (x: T) => string) =>
    of.map((x) => ({ value: String(x), name: name(x) }));
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">{own ? 'Change it' : 'Make it your own'}</p>
          <p className="mt-2 text-[0.9375rem] text-ink-2">{programme.name}</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Steps">{programme.steps.length}</TagLine>
          </dl>
        </>
      }
      margin={
        <section>
          <h2 className="text-body">How it is kept</h2>
          <p className="text-[0.9375rem]">
            What ships stays as it is; yours stands beside it under its own name. Each change is a new version, and what
            was laid of an earlier one goes on as it was laid.
          </p>
          <p className="text-[0.9375rem]">
            Months are those of the northern year; south of the equator they are turned.
          </p>
        </section>
      }
      handle="How it is kept"
    >
      <h1 className="mb-4">{own ? `Change “${programme.name}”` : `Your own after “${programme.name}”`}</h1>
      {allows(v, 'edit the guide') ? (
        <Editor
          programme={programme}
          options={{
            stages: named(STAGES, (s) => STAGE_NAMES[s]),
            months: named([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], monthName),
            models: [...heatModels, ...ownHeat].map((m) => ({ value: m.id, name: m.what })),
            works: worksNow().map((w) => ({ value: w.id, name: w.name })),
            methods: named(METHODS, (m) => METHOD_NAMES[m]),
            conditions: [...conditionsNow()]
              .sort((a, b) => a.name.localeCompare(b.name))
              .map((c) => ({ value: c.id, name: c.name })),
            families: named(families, (f) => f),
            groups: named(groups, (g) => g.replace(/-/g, ' ')),
          }}
        />
      ) : (
        <p>{refusal(v.role, 'edit the guide')}</p>
      )}
    </Frame>
  );
}
