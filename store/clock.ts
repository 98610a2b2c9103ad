import { clockAheadS } from '@/core/settings/clock';

/**
 * Seconds that this process's clock runs ahead of the machine's; 0 but in tests and the demo. An instant in ELMHORN_CLOCK
 * counts from the first question; it is kept as an offset, so that other bundles and processes begun here agree.
 */
export function aheadOfMachineS(): number {
  const setting = process.env.ELMHORN_CLOCK;
  if (!setting) return 0;
  if (process.env.NODE_ENV === 'production' && process.env.ELMHORN_DEMO !== '1')
    throw new Error('ELMHORN_CLOCK is for tests and the demo');
  const ahead = clockAheadS(setting, new Date());
  if (ahead === null) throw new Error(`ELMHORN_CLOCK cannot be read: ${setting}`);
  process.env.ELMHORN_CLOCK = `${ahead < 0 ? '' : '+'}${ahead}s`;
  return ahead;
}

/** The time. Server, commands and demo read it here alone; the database adds the same offset to its own. */
export const clockNow = (): Date => new Date(Date.now() + aheadOfMachineS() * 1000);
