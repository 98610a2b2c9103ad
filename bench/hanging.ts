import { seasonOf } from '@/core/devices/testing';
import type { Table } from './table';

const COMPANIES = 400;
const DEVICES = 80;

/** How often what hangs is empty within what is told four times in five, over the seasons of many companies. */
export function hanging({ row }: Pick<Table, 'row'>) {
  for (const read of [false, true]) {
    const all = Array.from({ length: COMPANIES }, (_, i) => seasonOf(DEVICES, i + 1, read));
    const share = (100 * all.reduce((a, s) => a + s.within, 0)) / all.reduce((a, s) => a + s.of, 0);
    row(
      `devices empty within their four in five, ${COMPANIES} companies of ${DEVICES}${read ? ', each read off once' : ''}`,
      `${share.toFixed(1)} %`,
      '75–85 %',
      share >= 75 && share <= 85,
    );
  }
}
