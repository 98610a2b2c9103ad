'use client';

import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { v7 } from 'uuid';
import {
  areaOf,
  AREAS,
  FEATURE_NAMES,
  POINTS,
  type AreaKind,
  type SiteMap,
  type PointKind,
} from '@/core/site-map/site-map';
import type { Point } from '@/core/rootzone/probe-grid';
import { showArea, type UnitSystem } from '@/lib/units/units';
import { Choices, FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { PlanFigure, spanOf } from '@/ui/figures/plan';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { importSiteMap, saveSiteMap } from './actions';
import { useAttachWaiting } from '@/ui/controls/file.client';
import { Input, Select } from '@/ui/controls/input.client';

interface PlacedTree {
  id: string;
  tag: string;
  host: string;
  at: Point | null;
  crownM: number | null;
  rootM: number | null;
}
/** What a handle moves: a corner of the outline or an area, a point, or a tree. */
type Handle = { of: 'outline' | 'area' | 'point' | 'tree'; id: string; corner: number };

/** What came of a file: what was not taken is said, however much it is. */
function readWords(left: readonly string[], strangers: readonly { tag: string }[]): string {
  const said = left.slice(0, 3).join('; ') + (left.length > 3 ? ` and ${left.length - 3} more` : '');
  return [
    'Read; look it over and keep it.',
    left.length ? `Not taken: ${said}.` : '',
    strangers.length ? `${strangers.length} trees have no such tag here, like ${strangers[0]!.tag}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

const same = (a: Handle | null, b: Handle) => a?.of === b.of && a.id === b.id && a.corner === b.corner;

export function PlanBench({
  siteId,
  name,
  units,
  mayEdit,
  plan: kept,
  version,
  bufferM,
  trees: keptTrees,
  links,
}: {
  siteId: string;
  name: string;
  units: UnitSystem;
  mayEdit: boolean;
  plan: SiteMap;
  version: number;
  bufferM: number;
  trees: PlacedTree[];
  links: React.ReactNode;
}) {
  const router = useRouter();
  const said = useNotify();
  const [plan, setPlan] = useState(kept);
  const [trees, setTrees] = useState(keptTrees);
  const [editing, setEditing] = useState(false);
  const [handle, setHandle] = useState<Handle | null>(null);
  const [dragging, setDragging] = useState(false);
  const [kind, setKind] = useState<AreaKind | PointKind | 'outline' | 'tree'>('building');
  const figure = useRef<SVGSVGElement>(null);
  const [drawnOn, setDrawnOn] = useState(version);
  const [seenNewer, setSeenNewer] = useState(false);
  const { busy, issues, send } = useSend(saveSiteMap, {
    stale: () => {
      setSeenNewer(true);
      router.refresh();
    },
  });
  const bring = useSend(importSiteMap);
  const drawn = trees.flatMap((t) => (t.at ? [{ ...t, at: t.at }] : []));
  const placed = drawn.map((t) => ({ id: t.id, x: t.at.x, y: t.at.y }));
  const unplaced = trees.filter((t) => !t.at);
  // While something is dragged the view must not run away under the finger.
  const [view, setView] = useState(() => spanOf(kept, drawn));
  const u = Math.max(view.w, view.h) / 100;

  const where = (h: Handle): Point | null =>
    h.of === 'outline'
      ? (plan.outline?.[h.corner] ?? null)
      : h.of === 'area'
        ? (plan.areas.find((a) => a.id === h.id)?.corners[h.corner] ?? null)
        : h.of === 'point'
          ? (plan.points.find((p) => p.id === h.id)?.at ?? null)
          : (trees.find((t) => t.id === h.id)?.at ?? null);
  const move = (h: Handle, to: Point) => {
    const at = { x: Math.round(to.x * 10) / 10, y: Math.round(to.y * 10) / 10 };
    const corners = (c: Point[]) => c.map((p, i) => (i === h.corner ? at : p));
    if (h.of === 'tree') setTrees((all) => all.map((t) => (t.id === h.id ? { ...t, at } : t)));
    else
      setPlan((p) => ({
        ...p,
        outline: h.of === 'outline' && p.outline ? corners(p.outline) : p.outline,
        areas:
          h.of === 'area' ? p.areas.map((a) => (a.id === h.id ? { ...a, corners: corners(a.corners) } : a)) : p.areas,
        points: h.of === 'point' ? p.points.map((x) => (x.id === h.id ? { ...x, at } : x)) : p.points,
      }));
  };
  const local = (e: React.PointerEvent): Point | null => {
    const m = figure.current?.getScreenCTM();
    if (!m) return null;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse());
    return { x: p.x, y: -p.y };
  };
  const add = () => {
    const at = { x: view.x + view.w / 2, y: view.y + view.h / 2 };
    const r = Math.max(2, view.w / 12);
    const box = [
      { x: at.x - r, y: at.y - r },
      { x: at.x + r, y: at.y - r },
      { x: at.x + r, y: at.y + r },
      { x: at.x - r, y: at.y + r },
    ].map((p) => ({ x: Math.round(p.x * 10) / 10, y: Math.round(p.y * 10) / 10 }));
    const id = v7();
    if (kind === 'tree') {
      const next = unplaced[0];
      if (next) {
        setTrees((all) => all.map((t) => (t.id === next.id ? { ...t, at } : t)));
        setHandle({ of: 'tree', id: next.id, corner: 0 });
      }
    } else if (kind === 'outline') {
      const wide = box.map((p) => ({ x: at.x + (p.x - at.x) * 4, y: at.y + (p.y - at.y) * 4 }));
      setPlan((p) => ({ ...p, outline: wide }));
      setHandle({ of: 'outline', id: '', corner: 0 });
    } else if ((AREAS as readonly string[]).includes(kind)) {
      setPlan((p) => ({ ...p, areas: [...p.areas, { id, kind: kind as AreaKind, name: '', corners: box }] }));
      setHandle({ of: 'area', id, corner: 0 });
    } else {
      setPlan((p) => ({ ...p, points: [...p.points, { id, kind: kind as PointKind, name: '', at }] }));
      setHandle({ of: 'point', id, corner: 0 });
    }
  };
  const handles: Handle[] = editing
    ? [
        ...(plan.outline ?? []).map((_, corner): Handle => ({ of: 'outline', id: '', corner })),
        ...plan.areas.flatMap((a) => a.corners.map((_, corner): Handle => ({ of: 'area', id: a.id, corner }))),
        ...plan.points.map((p): Handle => ({ of: 'point', id: p.id, corner: 0 })),
        ...drawn.map((t): Handle => ({ of: 'tree', id: t.id, corner: 0 })),
      ]
    : [];
  const at = handle && where(handle);
  const area = handle?.of === 'area' ? plan.areas.find((a) => a.id === handle.id) : undefined;
  const point = handle?.of === 'point' ? plan.points.find((p) => p.id === handle.id) : undefined;
  const what = handle
    ? {
        outline: `Outline, corner ${handle.corner + 1}`,
        tree: `Tree ${trees.find((t) => t.id === handle.id)?.tag}`,
        area: area ? `${FEATURE_NAMES[area.kind]}, corner ${handle.corner + 1}` : '',
        point: point ? FEATURE_NAMES[point.kind] : '',
      }[handle.of]
    : '';
  const cornersOf = (h: Handle) => (h.of === 'outline' ? plan.outline : area?.corners) ?? null;
  const setCorners = (h: Handle, next: Point[]) =>
    setPlan((p) =>
      h.of === 'outline'
        ? { ...p, outline: next }
        : { ...p, areas: p.areas.map((a) => (a.id === h.id ? { ...a, corners: next } : a)) },
    );
  const remove = (h: Handle) => {
    setHandle(null);
    if (h.of === 'tree') return;
    setPlan((p) => ({
      ...p,
      outline: h.of === 'outline' ? null : p.outline,
      areas: p.areas.filter((a) => h.of !== 'area' || a.id !== h.id),
      points: p.points.filter((x) => h.of !== 'point' || x.id !== h.id),
    }));
  };
  const kinds = [
    { value: 'outline' as const, name: 'Outline' },
    ...AREAS.map((a) => ({ value: a, name: FEATURE_NAMES[a] })),
    ...POINTS.map((p) => ({ value: p, name: FEATURE_NAMES[p] })),
    ...(unplaced.length ? [{ value: 'tree' as const, name: `Tree ${unplaced[0]!.tag}` }] : []),
  ];

  const bringIn = async (input: HTMLInputElement) => {
    const file = input.files?.[0];
    if (!file) return;
    bring.send({ siteId, text: await file.text() }, ({ plan: read, trees: standing, left }) => {
      const byTag = new Map(standing.map((t) => [t.tag, t.at]));
      const strangers = standing.filter((s) => !trees.some((t) => t.tag === s.tag));
      setTrees((all) => all.map((t) => ({ ...t, at: byTag.get(t.tag) ?? t.at })));
      setPlan(read);
      setView(spanOf(read, drawn));
      setEditing(true);
      said({
        sentence: readWords(left, strangers),
      });
    });
  };
  const chosen = useAttachWaiting((input) => void bringIn(input));
  return (
    <Frame
      handle="Legend, print, export"
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">{name}</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Area">{plan.outline ? showArea(areaOf(plan.outline), units).text : '–'}</TagLine>
            <TagLine name="Trees">{drawn.length}</TagLine>
            <TagLine name="Not placed">{unplaced.length}</TagLine>
          </dl>
        </>
      }
      margin={
        <>
          <Legend />
          <section className="flex flex-col gap-2">{links}</section>
          {mayEdit && (
            <section>
              <h2 className="text-body">Bring a plan in</h2>
              <p className="text-[0.9375rem]">
                GeoJSON in longitude and latitude, in a grid that it names, or in local metres. Each feature says its
                kind: outline, tree (with its tag), {[...AREAS, ...POINTS].join(', ')}.
              </p>
              <FormIssues issues={bring.issues} />
              <Input
                type="file"
                aria-label="GeoJSON file"
                accept=".geojson,.json,application/geo+json"
                className="box mt-2"
                ref={chosen}
                onChange={(e) => void bringIn(e.target)}
              />
            </section>
          )}
        </>
      }
    >
      <div className="mb-3 flex flex-wrap items-baseline justify-between gap-3">
        <h1>Plan of the grounds</h1>
        {mayEdit && (
          <button
            type="button"
            className={`press no-print ${editing ? '' : 'press-main'}`}
            onClick={() => {
              setEditing(!editing);
              setHandle(null);
            }}
          >
            {editing ? 'Stop drawing' : plan.outline || plan.areas.length ? 'Change the plan' : 'Draw the plan'}
          </button>
        )}
      </div>
      <FormIssues issues={issues} />
      {!plan.outline && !plan.areas.length && !drawn.length && (
        <p className="mb-3">Nothing is drawn yet. Draw the outline first, or bring a GeoJSON file in, in the margin.</p>
      )}
      <PlanFigure
        ref={figure}
        plan={plan}
        trees={drawn}
        units={units}
        view={view}
        overlay={{ bufferM }}
        style={editing ? { touchAction: 'none' } : undefined}
        onPointerMove={(e) => {
          const p = dragging && handle ? local(e) : null;
          if (p) move(handle!, p);
        }}
        onPointerUp={() => setDragging(false)}
        onPointerLeave={() => setDragging(false)}
      >
        {handles.map((h) => {
          const point = where(h);
          return point ? (
            <circle
              key={`${h.of}${h.id}${h.corner}`}
              cx={point.x}
              cy={-point.y}
              r={u * (same(handle, h) ? 1.9 : 1.3)}
              fill={same(handle, h) ? 'var(--cambium)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth={u * 0.4}
              className="cursor-move"
              onPointerDown={(e) => {
                e.preventDefault();
                setHandle(h);
                setDragging(true);
              }}
            />
          ) : null;
        })}
      </PlanFigure>
      {editing && (
        <div className="no-print mt-4">
          <div className="flex flex-wrap items-end gap-3">
            <Choices small label="Put down a" value={kind} onChange={setKind} options={kinds} />
            <button type="button" className="press mb-4" onClick={add}>
              <Plus size={18} aria-hidden /> Put it down
            </button>
          </div>
          <div className="flex flex-wrap items-end gap-3">
            <label className="mb-4 block">
              <span className="mb-1 block font-semibold">In hand</span>
              <Select
                className="box"
                value={handle ? `${handle.of}|${handle.id}|${handle.corner}` : ''}
                onChange={(e) => {
                  const [of, id, corner] = e.target.value.split('|');
                  setHandle(of ? { of: of as Handle['of'], id: id!, corner: Number(corner) } : null);
                }}
              >
                <option value="">nothing</option>
                {handles.map((h) => (
                  <option key={`${h.of}|${h.id}|${h.corner}`} value={`${h.of}|${h.id}|${h.corner}`}>
                    {h.of === 'outline'
                      ? `outline ${h.corner + 1}`
                      : h.of === 'tree'
                        ? `tree ${trees.find((t) => t.id === h.id)?.tag}`
                        : h.of === 'area'
                          ? `${plan.areas.find((a) => a.id === h.id)?.name || FEATURE_NAMES[plan.areas.find((a) => a.id === h.id)!.kind]} ${h.corner + 1}`
                          : plan.points.find((p) => p.id === h.id)?.name || 'point'}
                  </option>
                ))}
              </Select>
            </label>
            {handle && at && (
              <>
                <div className="mb-4 flex gap-1" role="group" aria-label={`Step ${what}`}>
                  {(
                    [
                      ['west', -0.5, 0, ArrowLeft],
                      ['north', 0, 0.5, ArrowUp],
                      ['south', 0, -0.5, ArrowDown],
                      ['east', 0.5, 0, ArrowRight],
                    ] as const
                  ).map(([dir, dx, dy, Icon]) => (
                    <button
                      key={dir}
                      type="button"
                      className="press"
                      aria-label={`Half a metre ${dir}`}
                      onClick={() => move(handle, { x: at.x + dx, y: at.y + dy })}
                    >
                      <Icon size={18} aria-hidden />
                    </button>
                  ))}
                </div>
                {(['x', 'y'] as const).map((k) => (
                  <div key={`${handle.of}${handle.id}${handle.corner}${k}`} className="w-28">
                    <TextField
                      label={k === 'x' ? 'East, m' : 'North, m'}
                      path={k}
                      inputMode="decimal"
                      maxLength={12}
                      value={String(at[k])}
                      onChange={(text) => {
                        const n = Number(text.replace(',', '.'));
                        if (text.trim() !== '' && Number.isFinite(n) && Math.abs(n) <= 20_000)
                          move(handle, { ...at, [k]: n });
                      }}
                    />
                  </div>
                ))}
                {(area || point) && (
                  <div className="w-56">
                    <TextField
                      label="Name"
                      path="name"
                      maxLength={80}
                      value={(area ?? point)!.name}
                      onChange={(text) =>
                        setPlan((p) => ({
                          ...p,
                          areas: p.areas.map((a) => (a.id === area?.id ? { ...a, name: text } : a)),
                          points: p.points.map((x) => (x.id === point?.id ? { ...x, name: text } : x)),
                        }))
                      }
                    />
                  </div>
                )}
                {cornersOf(handle) && (
                  <button
                    type="button"
                    className="press mb-4"
                    onClick={() => {
                      const c = cornersOf(handle)!;
                      const b = c[(handle.corner + 1) % c.length]!;
                      const mid = { x: (at.x + b.x) / 2, y: (at.y + b.y) / 2 };
                      setCorners(handle, [...c.slice(0, handle.corner + 1), mid, ...c.slice(handle.corner + 1)]);
                      setHandle({ ...handle, corner: handle.corner + 1 });
                    }}
                  >
                    A corner more
                  </button>
                )}
                {(cornersOf(handle)?.length ?? 0) > 3 && (
                  <button
                    type="button"
                    className="press mb-4"
                    onClick={() => {
                      setCorners(
                        handle,
                        cornersOf(handle)!.filter((_, i) => i !== handle.corner),
                      );
                      setHandle({ ...handle, corner: 0 });
                    }}
                  >
                    This corner off
                  </button>
                )}
                {handle.of !== 'tree' && (
                  <button type="button" className="press mb-4" onClick={() => remove(handle)}>
                    <X size={18} aria-hidden /> Take it away
                  </button>
                )}
              </>
            )}
          </div>
          <div className="flex flex-wrap gap-3">
            <button
              data-confirm
              type="button"
              className="press press-main min-w-56"
              disabled={busy}
              onClick={() =>
                send({ siteId, plan, trees: placed, basedOn: seenNewer ? version : drawnOn }, () => {
                  said({ sentence: 'Plan kept.' });
                  setEditing(false);
                  setHandle(null);
                  setView(spanOf(plan, drawn));
                  setDrawnOn(version + 1);
                  router.refresh();
                })
              }
            >
              {busy ? 'Keeping …' : 'Keep the plan'}
            </button>
            <button type="button" className="press" onClick={() => setView(spanOf(plan, drawn))}>
              All of it
            </button>
            <button
              type="button"
              className="press"
              onClick={() => setView((v) => ({ x: v.x - v.w * 0.25, y: v.y - v.h * 0.25, w: v.w * 1.5, h: v.h * 1.5 }))}
            >
              Farther out
            </button>
            <button
              type="button"
              className="press"
              onClick={() => setView((v) => ({ x: v.x + v.w * 0.15, y: v.y + v.h * 0.15, w: v.w * 0.7, h: v.h * 0.7 }))}
            >
              Closer
            </button>
          </div>
        </div>
      )}
      <table className="dense figures mt-5">
        <thead>
          <tr>
            <th>What</th>
            <th>Name</th>
            <th>East, north of the middle</th>
          </tr>
        </thead>
        <tbody>
          {[
            ...plan.points.map((p) => ({ id: p.id, kind: p.kind, name: p.name, at: p.at })),
            ...plan.areas.map((a) => ({ id: a.id, kind: a.kind, name: a.name, at: a.corners[0]! })),
          ].map((f) => (
            <tr key={f.id}>
              <td>{FEATURE_NAMES[f.kind]}</td>
              <td>{f.name || '–'}</td>
              <td>
                {f.at.x.toFixed(1)} m, {f.at.y.toFixed(1)} m
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Frame>
  );
}

/** The signs of the plan, as they print in black and white. */
function Legend() {
  return (
    <section>
      <h2 className="text-body">Signs</h2>
      <ul className="text-[0.9375rem]">
        {(
          [
            ['building', 'crossed hatching'],
            ['paving', 'dots'],
            ['bed', 'grid'],
            ['water', 'waves; the wide rim must be kept'],
            ['flowers', 'small crosses'],
            ['neighbour', 'slanting lines'],
          ] as const
        ).map(([k, how]) => (
          <li key={k} className="row py-1.5">
            <b>{FEATURE_NAMES[k]}</b>: {how}
          </li>
        ))}
        <li className="row py-1.5">
          <b>W</b> well, <b>D</b> drain, <b>H</b> hive, <b>P</b> play or sitting place
        </li>
        <li className="row py-1.5">Round: a crown to scale; dotted: its critical root zone.</li>
      </ul>
    </section>
  );
}
