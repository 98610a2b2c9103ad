'use client';

import { SendPress } from '@/ui/controls/send-press.client';
import { voidTreeImport } from '../actions';

/** The press that takes a list back whole. */
export const TakeBack = ({ id, name }: { id: string; name: string }) => (
  <SendPress
    action={voidTreeImport}
    input={{ id }}
    said={`${name} is taken back: its trees are archived, their tags are free.`}
  >
    Take it back
  </SendPress>
);
