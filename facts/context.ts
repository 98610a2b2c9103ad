import { refuse } from '@/lib/result';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';

/** Who acts, when, and in what air: all that a command may know beside its input and the store. */
export interface Context {
  viewer: Viewer;
  /** When the server received it. */
  receivedAt: Date;
  /** When it was seen or done, by the device that tells of it. */
  occurredAt: Date;
  /** The station that serves a spot. */
  station: StationFor;
  /** The phone that it was written on without signal, and what its clock showed. */
  phone?: { id: string; clockAt: string };
  /** Hears how far a long piece of work is. */
  progress?: (done: number, of: number) => void;
}

/** What stands under this id is something else. */
export const sentBefore = refuse(
  'id',
  'This was sent before with other content, and that stands. Look at it first; what you typed here is kept.',
);
