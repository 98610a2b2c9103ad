import Link from 'next/link';
import type { SiteOpen } from '@/store/plans';
import { Section } from '@/ui/frame/pieces';

const count = (n: number, one: string, many = `${one}s`) =>
  n ? `${n.toLocaleString('en-GB')} ${n === 1 ? one : many}` : null;
const sum = (sites: readonly SiteOpen[], of: (s: SiteOpen) => number) => sites.reduce((a, s) => a + of(s), 0);

/**
 * All that is due or over, counted site by site. It is told where the lists of the page hold less than there is, so that each
 * visit is one press away.
 */
export function Sites({
  sites,
  shown,
}: {
  sites: readonly SiteOpen[];
  /** How many of each the page itself lists. */
  shown: { plans: number; works: number; over: number; visits?: number };
}) {
  const total = {
    plans: sum(sites, (s) => s.plans),
    works: sum(sites, (s) => s.works),
    over: sum(sites, (s) => s.over),
    visits: sum(sites, (s) => s.visits),
  };
  const whole =
    total.plans <= shown.plans &&
    total.works <= shown.works &&
    total.over <= shown.over &&
    (shown.visits === undefined || total.visits <= shown.visits);
  if (whole) return null;
  return (
    <Section
      title="Everything due, by site"
      aside={`${sum(sites, (s) => s.plans + s.works + s.visits).toLocaleString('en-GB')} due`}
    >
      <ul>
        {sites.map((s) => (
          <li key={s.siteId} className="row">
            <Link
              href={`/jobs?place=${s.siteId}`}
              className="flex min-h-14 flex-wrap items-center justify-between gap-x-4 py-2"
            >
              <b>{s.siteName}</b>
              <span className="figures text-ink-2">
                {[
                  count(s.plans, 'treatment'),
                  count(s.works, 'work'),
                  count(s.visits, 'visit'),
                  s.over ? `${s.over.toLocaleString('en-GB')} over` : null,
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </Section>
  );
}
