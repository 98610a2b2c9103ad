import { scaleLinear } from 'd3-scale';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { findHost, findSign } from '@/knowledge';
import type { SpreadTree } from '@/store/knowledge';
import { spreadView } from '@/views/trees';
import { idOr404, viewer } from '@/app/_server/viewer';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';

export const metadata = { title: 'Spread' };

/** Degrees to metres at this latitude, good to a few centimetres over a place. */
const METRES = 111_320;

/** One finding across all trees of a place: where it is now, and where it was the time before. */
export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ sign?: string }>;
}) {
  const [v, { id }, { sign: asked }] = await Promise.all([viewer(), params, searchParams]);
  const { place, trees } = (await spreadView(v, idOr404(id))) ?? notFound();
  const seenOn = (sign: string, when: 'now' | 'before') =>
    trees.filter((t) => (t[when]?.findings[sign] ?? 0) > 0).length;
  const signs = [
    ...new Set(trees.flatMap((t) => [...Object.keys(t.now?.findings ?? {}), ...Object.keys(t.before?.findings ?? {})])),
  ]
    .map((s) => ({ id: s, now: seenOn(s, 'now'), before: seenOn(s, 'before') }))
    .filter((s) => s.now + s.before > 0)
    .sort((a, b) => b.now - a.now || (a.id < b.id ? -1 : 1));
  const sign = signs.find((s) => s.id === asked) ?? signs[0];
  const words = sign ? (findSign(sign.id)?.words ?? sign.id) : '';
  const grade = (t: SpreadTree, when: 'now' | 'before') => (sign ? t[when]?.findings[sign.id] : undefined);
  const fresh = trees.filter((t) => (grade(t, 'now') ?? 0) > 0 && !(grade(t, 'before') ?? 0));
  const gone = trees.filter((t) => grade(t, 'now') === 0 && (grade(t, 'before') ?? 0) > 0);
  return (
    <Frame
      tag={
        <div>
          <p className="text-head leading-tight font-extrabold">{place.name}</p>
          {sign && (
            <dl className="mt-3 border-t border-line-2">
              <TagLine name="Trees">{trees.length}</TagLine>
              <TagLine name="Looked at">{trees.filter((t) => t.now).length}</TagLine>
              <TagLine name="Hit now">{sign.now}</TagLine>
              <TagLine name="The time before">{sign.before}</TagLine>
              <TagLine name="New">{fresh.length}</TagLine>
              <TagLine name="Gone">{gone.length}</TagLine>
            </dl>
          )}
          <p className="mt-4">
            <Link href={`/sites/${place.id}`} className="underline underline-offset-3">
              Back to the place
            </Link>
          </p>
        </div>
      }
      margin={
        <section>
          <h2 className="text-body">Findings here</h2>
          <ul>
            {signs.map((s) => (
              <li key={s.id} className="row">
                <Link
                  href={`?sign=${s.id}`}
                  className={`flex justify-between gap-3 py-1.5 text-[0.9375rem] hover:underline ${s.id === sign?.id ? 'font-bold' : ''}`}
                >
                  <span>{findSign(s.id)?.words ?? s.id}</span>
                  <span className="figures whitespace-nowrap">
                    {s.before} → {s.now}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      }
      handle="Other findings on this place"
    >
      <h1>{sign ? words : 'Nothing found on this place yet'}</h1>
      {!sign && <p className="text-ink-2">Examine its trees; what is found on several of them stands here together.</p>}
      {sign && (
        <>
          <p className="text-ink-2">
            On {sign.now} of {trees.filter((t) => t.now).length} trees looked at; {fresh.length} new since the look
            before
            {gone.length > 0 && `, gone from ${gone.length}`}.
          </p>
          <SpreadMap trees={trees} grade={grade} words={words} />
          <ul className="mt-4 flex flex-wrap gap-3" aria-label="Trees in walking order">
            {trees
              .filter((t) => (grade(t, 'now') ?? 0) > 0 || (grade(t, 'before') ?? 0) > 0)
              .map((t) => (
                <li key={t.treeId}>
                  <Link href={`/trees/${t.treeId}`} className="flex items-center gap-2">
                    <span className="plate-small">{t.tag}</span>
                    <span className="figures text-[0.9375rem]">
                      {grade(t, 'before') ?? '–'} → <b>{grade(t, 'now') ?? '–'}</b>
                      {fresh.includes(t) && ' new'}
                    </span>
                  </Link>
                </li>
              ))}
          </ul>
        </>
      )}
    </Frame>
  );
}

/** The trees where they stand: filled by grade, ringed where it is new, crossed where it has gone, a dot where nobody looked. */
function SpreadMap({
  trees,
  grade,
  words,
}: {
  trees: SpreadTree[];
  grade: (t: SpreadTree, when: 'now' | 'before') => number | undefined;
  words: string;
}) {
  const at = trees.filter((t): t is SpreadTree & { lat: number; lon: number } => t.lat !== null && t.lon !== null);
  if (at.length < 2)
    return (
      <p className="mt-3 text-ink-2">No positions yet: give the trees their latitude and longitude to see the plan.</p>
    );
  const lat0 = at.reduce((s, t) => s + t.lat, 0) / at.length;
  const lon0 = at.reduce((s, t) => s + t.lon, 0) / at.length;
  const points = at.map((t) => ({
    t,
    x: (t.lon - lon0) * METRES * Math.cos((lat0 * Math.PI) / 180),
    y: (t.lat - lat0) * METRES,
  }));
  const wide = Math.max(10, ...points.map((p) => Math.abs(p.x))) * 2;
  const tall = Math.max(10, ...points.map((p) => Math.abs(p.y))) * 2;
  const height = Math.max(220, Math.min(460, (tall / wide) * 660 + 60));
  const scale = Math.min(660 / wide, (height - 60) / tall);
  const x = scaleLinear([-360 / scale, 360 / scale], [0, 720]);
  const y = (m: number) => height / 2 - m * scale;
  const r = Math.max(6, Math.min(13, scale * 2.4));
  const bar = [5, 10, 20, 50, 100, 200].find((m) => m * scale > 60) ?? 500;
  const hit = points.filter((p) => (grade(p.t, 'now') ?? 0) > 0).map((p) => `${p.t.tag} grade ${grade(p.t, 'now')}`);
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 720 ${height}`}
        className="w-full border border-line"
        role="img"
        aria-label={`Plan of the place, north up. ${words}: ${hit.join(', ') || 'on no tree'}.`}
      >
        {points.map(({ t, x: mx, y: my }) => {
          const now = grade(t, 'now');
          const before = grade(t, 'before') ?? 0;
          return (
            <g key={t.treeId}>
              <title>{`${t.tag}, ${findHost(t.hostId)?.name}: ${before} before, ${now ?? 'not looked'} now`}</title>
              <circle
                cx={x(mx)}
                cy={y(my)}
                r={t.now ? r : 4}
                fill={now ? 'var(--cambium)' : 'var(--sheet)'}
                stroke="var(--ink)"
                strokeWidth={now ? 1 + now * 0.7 : 1.2}
              />
              {now !== undefined && now > 0 && before === 0 && (
                <circle
                  cx={x(mx)}
                  cy={y(my)}
                  r={r + 5}
                  fill="none"
                  stroke="var(--madder)"
                  strokeWidth="2"
                  strokeDasharray="4 3"
                />
              )}
              {now === 0 && before > 0 && (
                <path d={`M${x(mx) - 7} ${y(my) - 7}l14 14m0-14l-14 14`} stroke="var(--ink)" strokeWidth="1.6" />
              )}
              {now !== undefined && now > 0 && (
                <text
                  x={x(mx)}
                  y={y(my) + (r < 9 ? 3.2 : 4.5)}
                  textAnchor="middle"
                  fontSize="13"
                  fontWeight="800"
                  fill="var(--on-cambium)"
                >
                  {now}
                </text>
              )}
            </g>
          );
        })}
        <g transform={`translate(20 ${height - 16})`}>
          <path d={`M0 -5V0H${bar * scale}V-5`} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
          <text x={bar * scale + 8} y="3" fontSize="13" fill="var(--ink)">
            {bar} m
          </text>
        </g>
        <text x="700" y="22" textAnchor="end" fontSize="14" fontWeight="700" fill="var(--ink)">
          N ↑
        </text>
      </svg>
      <figcaption className="mt-1 text-small text-ink-2">
        The figure is the grade now. A dashed ring: new since the look before. A cross: gone. A small circle: not looked
        at.
      </figcaption>
    </figure>
  );
}
