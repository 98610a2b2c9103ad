import type { Condition, Host, TreatmentOption } from '../diagnose/knowledge';
import { concerns } from '../diagnose/reading';
import { usesHost } from '../label/match';
import { carriesOut } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import { inSeason } from '../../lib/calendar/months';
import type { Work } from '../work/work';
import { worksOn } from '../work/works';

/** What carries out a way of the guide: its figures stand here, and nowhere in the words of the way. */
export interface CarriedOut {
  uses: { label: Label; use: LabelUse }[];
  works: Work[];
}

/**
 * The uses of labels that carry out a way against a condition, on a host of its own in a month of its own, and the works
 * without a label that do.
 * @param hosts every host that may stand somewhere
 */
export function carriedOut(
  condition: Pick<Condition, 'id' | 'groups'>,
  way: Pick<TreatmentOption, 'method' | 'hosts' | 'from' | 'to'>,
  hosts: readonly Host[],
  by: { labels: readonly Label[]; works: readonly Work[] },
): CarriedOut {
  const on = hosts.filter(
    (h) => !h.unlisted && concerns(condition.groups, h) && (!way.hosts.length || concerns(way.hosts, h)),
  );
  const carries = (use: LabelUse) =>
    carriesOut(use.method, way.method) &&
    use.targets.includes(condition.id) &&
    (!use.months.length || use.months.some((m) => inSeason(m, [way.from, way.to]))) &&
    on.some((h) => usesHost(use, h.id, h.groups));
  return {
    uses: by.labels.flatMap((label) => label.uses.filter(carries).map((use) => ({ label, use }))),
    works: worksOn({ condition: { id: condition.id, name: '' } }, by.works).filter((w) => w.method === way.method),
  };
}
