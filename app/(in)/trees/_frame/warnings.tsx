import { Warnings } from '@/ui/frame/pieces';
import type { Duty } from '@/core/decide/duties';

const NAMES = {
  gas: 'Gas in the soil',
  report: 'Report first',
  'no-cut': 'Do not cut',
  hairs: 'Hairs',
  spores: 'Spores',
  risk: 'Keep clear',
} as const;

/** What saves lives and regions, first on every page of a tree: from what was seen, whatever has been named. */
export function TreeWarnings({ duties }: { duties: readonly Duty[] }) {
  if (!duties.length) return null;
  return (
    <Warnings>
      {duties.map((d) => (
        <p key={d.id + (d.condition ?? '')} className="py-1 leading-snug">
          <b className="text-madder">{NAMES[d.id]}.</b> {d.sentence}
        </p>
      ))}
    </Warnings>
  );
}
