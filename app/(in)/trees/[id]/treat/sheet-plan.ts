import type { Dose } from '@/core/dose/dose';
import type { Label, LabelUse } from '@/core/label/schema';
import type { Choices } from '@/core/gates/context';
import type { Ring } from '@/core/ring/ring';

/** A plan as its sheet needs it. */
export interface SheetPlan {
  id: string;
  treeId: string;
  siteId: string;
  label: Label;
  use: LabelUse;
  choices: Choices;
  /** The day it was planned for; null for its own day. */
  plannedFor: string | null;
  released: Record<string, string>;
  dose: Dose;
  ring: Ring | null;
  target: string;
}
