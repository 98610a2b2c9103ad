'use client';

import type { z } from 'zod';
import { bookingSchema } from '@/core/book/record';
import { lookSchema, readChangePrice, readCrownLoss } from '@/core/diagnose/look';
import { overnightSchema } from '@/core/hanging/overnight';
import { readReading, typedReading } from '@/core/measure/reading';
import { endSchema } from '@/core/mix/end';
import { homeSchema } from '@/core/round/home-schema';
import { leaveSchema } from '@/core/round/leave';
import { finishSchema } from '@/core/work/finish-schema';
import type { Fault } from '@/core/book/write';
import { faultsBy } from '@/ui/phone/or-kept.client';

const wrongReading = (m: z.input<typeof typedReading>) => {
  const read = typedReading.safeParse(m);
  if (!read.success) return faultsBy(typedReading)(m);
  const own = readReading(read.data);
  return own.ok ? [] : own.faults;
};

const wrongLook = (x: z.input<typeof lookSchema>) => {
  const faults = faultsBy(lookSchema)(x);
  if (!faults.length) {
    readCrownLoss(faults, x.crownLoss);
    readChangePrice(faults, x.changePrice ?? '');
  }
  return faults;
};

/** What is wrong with a write by what a phone can know, by its verb. */
export const KNOWN_WRONG: Readonly<Record<string, (input: never) => Fault[]>> = {
  measure: wrongReading,
  examine: wrongLook,
  book: faultsBy(bookingSchema),
  'hang-overnight': faultsBy(overnightSchema),
  'leave-undone': faultsBy(leaveSchema),
  'close-round': (c: { home: unknown }) => faultsBy(homeSchema)(c.home).map((f) => ({ ...f, path: `home.${f.path}` })),
  'end-batch': faultsBy(endSchema),
  'finish-work': faultsBy(finishSchema),
};
