import { seasonOf } from '@/core/hanging/testing';
import type { Table } from './table';

const OUTFITS = 400;
const DEVICES = 80;

/** How often what hangs is empty within what is told four times in five, over the seasons of many outfits. */
export function hanging({ row }: Pick<Table, 'row'>) {
  for (const read of [false, true]) {
    const all = Array.from({ length: OUTFITS }, (_, i) => seasonOf(DEVICES, i + 1, read));
    const share = (100 * all.reduce((a, s) => a + s.within, 0)) / all.reduce((a, s) => a + s.of, 0);
    row(
      `devices empty within their four in five, ${OUTFITS} outfits of ${DEVICES}${read ? ', each read off once' : ''}`,
      `${share.toFixed(1)} %`,
      '75–85 %',
      share >= 75 && share <= 85,
    );
  }
}
