import type { z } from 'zod';
import type { Condition, conditionSchema, TreatmentOption } from '@/core/diagnose/knowledge';

const BASIS = 'practice consensus; confirm with the local extension service or a laboratory';

/** method, what is done, what opens the window, first and last month, what for; and whether organic programmes may, whether it still
 * covers what is sound while the trouble spreads, or whether it is an antibiotic. */
type Way = [
  method: TreatmentOption['method'],
  what: string,
  when: string,
  from: number,
  to: number,
  use: TreatmentOption['use'],
  and?: 'organic' | 'cover' | 'organic cover' | 'antibiotic' | '',
  /** For some of its hosts, or within a size, a loss of bark or crown, or signs: whatever its words make it depend on. */
  bounds?: Partial<
    Pick<
      TreatmentOption,
      'hosts' | 'notOn' | 'barkLossMax' | 'barkLossMin' | 'crownLossMin' | 'largestCm' | 'tooLate' | 'onlyWith'
    >
  >,
];
type Written = Omit<
  z.input<typeof conditionSchema>,
  'id' | 'name' | 'kind' | 'groups' | 'basis' | 'options' | 'signs' | 'deciding'
> & {
  always?: string[];
  usual?: string[];
  sometimes?: string[];
  rare?: string[];
  never?: string[];
  deciding?: [test: string, outcome: string];
  ways: Way[];
  basis?: string;
};

/** One condition as it is written in these files: identity first, then what it shows, then what is done about it. */
export function entry(
  id: string,
  name: string,
  kind: Condition['kind'],
  groups: string[],
  { always = [], usual = [], sometimes = [], rare = [], never = [], ways, deciding, basis, ...rest }: Written,
): z.input<typeof conditionSchema> {
  return {
    id,
    name,
    kind,
    groups,
    signs: { always, usual, sometimes, rare, never },
    deciding: deciding ? { test: deciding[0], outcome: deciding[1] } : null,
    options: ways.map(([method, what, when, from, to, use, and, bounds]) => ({
      method,
      what,
      when,
      from,
      to,
      use,
      organic: and?.startsWith('organic') ?? false,
      covers: and?.endsWith('cover') ?? false,
      antibiotic: and === 'antibiotic',
      ...bounds,
    })),
    basis: basis ?? BASIS,
    ...rest,
  };
}
