import Link from 'next/link';
import type { Rule } from '@/core/gates/gate';
import { ANTIBIOTIC_NEEDS, STAKES } from '@/core/decide/stakes';
import { ODDS } from '@/core/diagnose/words';
import { DISEASED_TOO, PRESENCE } from '@/core/gates/region';
import { CHAPTERS } from '@/core/gates/rules';
import { METHOD_NAMES } from '@/core/label/methods';
import { WORK_RULES } from '@/core/work/rules';
import { findWork } from '@/knowledge/works';
import { findCondition, regions } from '@/knowledge';
import { shelfLabels } from '@/store/stock';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { regionFor } from '@/facts/region';
import { allows, viewer } from '../../../_server/viewer';
import { RegionForm, SignRegion } from './rules.client';

export const metadata = { title: 'Rules' };
const SET_BY = {
  label: 'a label',
  region: 'the region',
  school: 'a school of the company',
  knowledge: 'the field guide',
  practice: 'practice',
} as const;

/** Every gate there is: what it is about, where its facts come from, and which labels and regions set it. */
export default async function Rules({ searchParams }: { searchParams: Promise<{ region?: string }> }) {
  const v = await viewer();
  const asked = (await searchParams).region;
  const key = asked !== undefined && Object.hasOwn(regions, asked) ? asked : v.region;
  const labels = (await shelfLabels(v)).map((l) => l.label);
  const region = regionFor(v, key);
  const rules = CHAPTERS.flatMap((c) => c.rules);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Rules</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Gates">{[...rules, ...WORK_RULES].reduce((a, r) => a + r.ids.length, 0)}</TagLine>
        <TagLine name="Set by labels">{rules.filter((r) => r.setBy === 'label').length}</TagLine>
        <TagLine name="By the region">{[...rules, ...WORK_RULES].filter((r) => r.setBy === 'region').length}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">Three strengths</h2>
        <p className="text-[0.9375rem]">
          <b>Stop</b>: a label or a law; nobody overrides it. <b>Hold</b>: a certified person goes on with a written
          reason. <b>Note</b>: shown and kept. What happened can always be recorded.
        </p>
      </section>
      <section>
        <h2 className="text-body">{region.name}</h2>
        <p className="text-[0.9375rem]">
          {region.checked
            ? `Compared with ${region.checked.against ?? 'the rules in force'} by ${region.checked.by}, ${shortDay(region.checked.on)}.`
            : 'Nobody has compared this profile with the rules in force.'}{' '}
          Elmhorn never states that a use is legal: it says which of the rules entered here were met.
        </p>
        {allows(v, 'manage people') && <SignRegion regionKey={key} />}
      </section>
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Strengths, region">
      <h1>Every gate, and who sets it</h1>
      {CHAPTERS.map((c) => (
        <Section key={c.name} title={c.name}>
          <Matrix
            name={c.name}
            where="In force through"
            rows={c.rules.map((rule) => {
              const of = rule.label ? labels.filter((l) => l.uses.some((u) => rule.label!(l, u))) : [];
              const through =
                of.length === labels.length && of.length
                  ? 'every label'
                  : of.length > 4
                    ? `${of.length} of ${labels.length} labels`
                    : of.map((l) => l.name).join('; ');
              const here = rule.region?.(region) ? region.name : '';
              return {
                ...rule,
                where:
                  [through, here].filter(Boolean).join(' · ') ||
                  (rule.label || rule.region ? 'no label on this shelf' : 'always'),
              };
            })}
          />
        </Section>
      ))}
      <Section title="Works without a product">
        <Matrix
          name="Works without a product"
          where="Checked by"
          rows={WORK_RULES.map((r) => ({
            ...r,
            where: [...r.works.map((w) => findWork(w)?.name ?? w), r.region?.(region) ? region.name : '']
              .filter(Boolean)
              .join(' · '),
          }))}
        />
      </Section>
      <Section title="How sure one must be" aside="stakes decide per action, never per disease">
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="How sure one must be">
          <table className="dense">
            <thead>
              <tr>
                <th>What is done</th>
                <th>From</th>
                <th>What a mistake costs</th>
              </tr>
            </thead>
            <tbody>
              {STAKES.map((s) => (
                <tr key={s.id}>
                  <td>
                    <b>{s.action}</b>
                  </td>
                  <td>
                    {s.needs} ({ODDS[s.needs]}){s.raisedByCondition ? ', or what the condition asks for' : ''}
                  </td>
                  <td>{s.mistake}</td>
                </tr>
              ))}
              <tr>
                <td>
                  <b>Give an antibiotic</b>
                </td>
                <td>
                  {ANTIBIOTIC_NEEDS} ({ODDS[ANTIBIOTIC_NEEDS]}); never to a tree that is eaten from
                </td>
                <td>Resistance, residues, a wound for nothing.</td>
              </tr>
              <tr>
                <td>
                  <b>Report, keep people away, leave the saw in the bag</b>
                </td>
                <td>suspicion, weighed by what is at stake; where it must be reported, before any cut</td>
                <td>A telephone call.</td>
              </tr>
            </tbody>
          </table>
        </div>
      </Section>
      <Section title={`The profile of ${region.name}`} aside="what it adds to the labels; it never loosens one">
        <p className="flex flex-wrap gap-x-5">
          Also kept:
          {Object.keys(regions)
            .filter((other) => other !== key)
            .map((other) => (
              <Link key={other} className="underline underline-offset-3" href={`/settings/rules?region=${other}`}>
                {regionFor(v, other).name}
              </Link>
            ))}
        </p>
        {allows(v, 'manage people') ? (
          <RegionForm
            key={key}
            region={{
              key,
              name: region.name,
              water: String(region.minWaterDistanceM),
              boundary: String(region.minBoundaryDistanceM),
              beeTrees: region.soilSystemicForbiddenOn.join(', '),
              banned: region.banned.map((b) => `${b.active}: ${b.why}`).join('\n'),
              reserved: region.reserved.map((b) => `${b.active} | ${b.category}: ${b.why}`).join('\n'),
              closed: region.closedSeasons
                .map(
                  (s) =>
                    `${s.hosts.join(', ')} | ${s.from} | ${s.to}${s.diseaseCuts ? '' : ` | ${DISEASED_TOO}`}: ${s.why}`,
                )
                .join('\n'),
              bannedUses: region.bannedUses
                .map((b) => `${METHOD_NAMES[b.method]} | ${b.hosts.join(', ')}: ${b.why}`)
                .join('\n'),
              presence: Object.entries(region.presence)
                .map(
                  ([id, x]) =>
                    `${findCondition(id)?.name ?? id}: ${Object.entries(PRESENCE).find(([, p]) => p === x)?.[0] ?? x}`,
                )
                .join('\n'),
              reportable: region.reportable.map((id) => findCondition(id)?.name ?? id).join('\n'),
              licenceClasses: region.licenceClasses.join(', '),
              recordFields: region.recordFields.join(', '),
              notifyMethods: region.notify?.methods ?? [],
              notifyHours: String(region.notify?.hours ?? ''),
              checkMonths: String(region.labelCheckMonths),
              recordYears: String(region.recordYears),
              licenceNeeded: region.licenceNeeded,
            }}
          />
        ) : (
          <p className="py-3">
            An owner changes it. <Link href="/settings/team">Who that is</Link>
          </p>
        )}
      </Section>
    </Frame>
  );
}

/** Gates of one kind: what each is about, how strong, where its facts come from, who sets it, and where it is in force. */
function Matrix({
  name,
  where,
  rows,
}: {
  name: string;
  where: string;
  rows: (Pick<Rule, 'ids' | 'about' | 'strength' | 'facts' | 'setBy'> & { where: string })[];
}) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={name}>
      <table className="dense">
        <thead>
          <tr>
            <th>Gate</th>
            <th>Strength</th>
            <th>Facts from</th>
            <th>Set by</th>
            <th>{where}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.ids[0]}>
              <td>
                <b>{r.about}</b>
                <span className="block text-small text-ink-2">{r.ids.join(', ')}</span>
              </td>
              <td className="whitespace-nowrap">{r.strength}</td>
              <td>{r.facts}</td>
              <td>{SET_BY[r.setBy]}</td>
              <td className="text-small">{r.where}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
