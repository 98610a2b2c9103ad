'use client';

import type { Issue } from '@/lib/result';
import type { z } from 'zod';
import { treatmentInputSchema } from '@/core/records/record';
import { inspectionSchema, readChangePrice, readCrownLoss } from '@/core/diagnose/inspection';
import { overnightSchema } from '@/core/devices/overnight';
import { readReading, typedReading } from '@/core/measure/reading';
import { endSchema } from '@/core/mix/end';
import { homeSchema } from '@/core/crew-day/home-schema';
import { leaveSchema } from '@/core/crew-day/leave';
import { finishSchema } from '@/core/work/finish-schema';
import type { OfflineCommand } from '@/core/phone/command-names';
import { issuesBy } from '@/ui/phone/send-or-queue.client';

const wrongReading = (m: z.input<typeof typedReading>) => {
  const read = typedReading.safeParse(m);
  if (!read.success) return issuesBy(typedReading)(m);
  const own = readReading(read.data);
  return own.ok ? [] : own.issues;
};

const wrongInspection = (x: z.input<typeof inspectionSchema>) => {
  const issues = issuesBy(inspectionSchema)(x);
  if (!issues.length) {
    readCrownLoss(issues, x.crownLoss);
    readChangePrice(issues, x.changePrice ?? '');
  }
  return issues;
};

/** What is wrong with a write by what a phone can know, by its command. */
export const KNOWN_WRONG: Readonly<Partial<Record<OfflineCommand, (input: never) => Issue[]>>> = {
  'measure-tree': wrongReading,
  'save-inspection': wrongInspection,
  'record-treatment': issuesBy(treatmentInputSchema),
  'leave-devices-overnight': issuesBy(overnightSchema),
  'mark-not-done': issuesBy(leaveSchema),
  'finish-day': (c: { home: unknown }) => issuesBy(homeSchema)(c.home).map((f) => ({ ...f, path: `home.${f.path}` })),
  'finish-batch': issuesBy(endSchema),
  'finish-work': issuesBy(finishSchema),
};
