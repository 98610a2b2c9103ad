import type { Tree } from '@/store/tree';
import { Warnings } from '@/ui/frame/pieces';
import { presentTrouble } from '@/core/decide/troubles';
import { diagnosed } from '@/app/_server/diagnosed';
import { viewer } from '@/app/_server/viewer';

const NAMES = {
  gas: 'Gas in the soil',
  report: 'Report first',
  'no-cut': 'Do not cut',
  hairs: 'Hairs',
  spores: 'Spores',
  risk: 'Keep clear',
} as const;

/** What saves lives and regions, first on every page of a tree: from what was seen, whatever has been named. */
export async function TreeWarnings({ tree }: { tree: Tree }) {
  const found = await diagnosed(await viewer(), tree);
  const duties = found?.decide(presentTrouble(tree.verdicts)?.conditionId).duties ?? [];
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
