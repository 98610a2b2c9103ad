import type { Label, LabelUse } from '@/core/label/schema';

/** A way that needs no label is named by its work behind this word, a use of a label by its label and its own key. */
export const WORK = 'work:';
export const nameOf = (o: { label: Pick<Label, 'key'>; use: Pick<LabelUse, 'key'> }) => `${o.label.key}/${o.use.key}`;
