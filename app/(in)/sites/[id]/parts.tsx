import Link from 'next/link';
import { hoursText } from '@/core/schedule/hours';
import { showArea, showDistance, type UnitSystem } from '@/lib/units/units';
import { TagLine, Warnings } from '@/ui/frame/pieces';
import type { siteView } from '@/views/trees';

type Seen = NonNullable<Awaited<ReturnType<typeof siteView>>>;

/** The site, its ground and its outline. */
export function SiteTag({ place, units }: Pick<Seen, 'place'> & { units: UnitSystem }) {
  return (
    <>
      <p className="text-head leading-tight font-extrabold">{place.name}</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{place.clientName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Area">{place.areaM2 === null ? '–' : showArea(place.areaM2, units).text}</TagLine>
        <TagLine name="Soil">{place.soilTexture}</TagLine>
        <TagLine name="Water">
          {place.waterM === null
            ? 'not said'
            : place.waterM === -1
              ? 'none near'
              : showDistance(place.waterM, units).text}
        </TagLine>
      </dl>
      {place.outline && (
        <svg
          viewBox="0 0 100 100"
          className="mt-5 w-full"
          role="img"
          aria-label={`Outline with ${place.outline.length} corners, north up`}
        >
          <OutlinePath corners={place.outline} />
        </svg>
      )}
    </>
  );
}

/** What a crew must know before it comes. */
export function OnArrival({ place, code, mayCode }: Pick<Seen, 'place' | 'code'> & { mayCode: boolean }) {
  return (
    <section>
      <h2 className="text-body">On arrival</h2>
      <dl className="text-[0.9375rem]">
        {[
          ['Hours', hoursText(place.hours)],
          ['Access', place.access],
          ['Gate code', code],
          ['Hazards', place.hazards],
          ['Dogs', place.dogs],
          ['Notes', place.notes],
        ].map(([k, x]) =>
          x ? (
            <div key={k} className="row py-2">
              <dt className="text-ink-2">{k}</dt>
              <dd className="font-semibold whitespace-pre-line">{x}</dd>
            </div>
          ) : null,
        )}
      </dl>
      {!mayCode && <p className="mt-2 text-small text-ink-2">Gate codes are shown to those who go there.</p>}
    </section>
  );
}

/** Trees that are reported before anything is cut, or kept clear of. */
export function Alarms({ alarms, dangers, knowledge }: Pick<Seen, 'alarms' | 'dangers' | 'knowledge'>) {
  if (!alarms.length) return null;
  return (
    <Warnings>
      {alarms.map((a) => (
        <p key={a.treeId} className="py-1 leading-snug">
          <Link href={`/trees/${a.treeId}`} className="font-bold text-madder">
            {a.tag}
          </Link>{' '}
          {[
            ...(a.report
              ? [
                  `Report first, cut and move nothing: ${knowledge.conditions.find((c) => c.id === a.report)?.name ?? a.report}.`,
                ]
              : []),
            ...new Set(a.signs.map((s) => `Keep clear: ${dangers.get(s)}.`)),
          ].join(' ')}
        </p>
      ))}
    </Warnings>
  );
}

/** The outline, fitted into a square with north up. */
function OutlinePath({ corners }: { corners: { lat: number; lon: number }[] }) {
  const lats = corners.map((c) => c.lat);
  const k = Math.cos((Math.min(...lats) * Math.PI) / 180);
  const xs = corners.map((c) => c.lon * k);
  const span = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...lats) - Math.min(...lats)) || 1;
  const d = corners
    .map(
      (c, i) =>
        `${i ? 'L' : 'M'}${(6 + (88 * (xs[i]! - Math.min(...xs))) / span).toFixed(1)} ${(94 - (88 * (c.lat - Math.min(...lats))) / span).toFixed(1)}`,
    )
    .join('');
  return <path d={`${d}Z`} fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />;
}
