import { girthFromDiameter } from '@/core/measure/trunk';
import { showTrunk } from '@/lib/units/units';
import { findHost } from '@/knowledge';
import { Series } from '@/ui/figures/series';
import { Frame } from '@/ui/frame/frame';
import { dayAndClock } from '@/ui/words';
import { StepStrip, TreeHead, TreeTag } from '../../_frame/tree-frame';
import type { Seen } from '../seen';
import { MeasureBench } from './measure.client';

/** The step at the trunk with the tape. */
export function MeasureStep({ seen }: { seen: Seen }) {
  const { viewer, tree, duties } = seen;
  const host = findHost(tree.hostId);
  const last = tree.readings[0];
  const margin = (
    <>
      <section>
        <h2 className="text-body">Readings</h2>
        {tree.readings.length === 0 ? (
          <p className="text-ink-2">This will be the first.</p>
        ) : (
          <>
            <Series
              points={tree.readings.map((r) => ({ at: r.at.getTime(), value: r.diameterCm })).reverse()}
              show={(d) => showTrunk(d, viewer.units).text}
              what="Diameter"
            />
            <ul className="mt-3">
              {tree.readings.slice(0, 6).map((reading) => (
                <li key={reading.id} className="row py-2 text-[0.9375rem]">
                  <b className="figures">
                    ⌀ {showTrunk(reading.diameterCm, viewer.units).text}, girth{' '}
                    {showTrunk(girthFromDiameter(reading.diameterCm), viewer.units).text}
                  </b>
                  <span className="block text-small text-ink-2">
                    at {showTrunk(reading.atHeightCm, viewer.units).text}, {reading.method}, {reading.byName},{' '}
                    {dayAndClock(reading.at, tree.timeZone)}
                    {reading.stems.length > 1 &&
                      `, typed as ${reading.stems.map((s) => `${s.kind} ${s.typed.value} ${s.typed.unit}`).join(' + ')}`}
                  </span>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <section>
        <h2 className="text-body">How</h2>
        <p className="text-[0.9375rem]">
          Tape level, at the height the label names; breast height here is{' '}
          {showTrunk(viewer.breastHeightCm, viewer.units).text}. Uphill side on a slope; the narrowest point below a
          swelling; ivy and loose bark moved aside, or said so.
        </p>
      </section>
    </>
  );
  return (
    <Frame
      tag={<TreeTag tree={tree} units={viewer.units} here="measure" />}
      head={<TreeHead tree={tree} units={viewer.units} here="measure" />}
      margin={margin}
      handle="Earlier readings"
    >
      <StepStrip tree={tree} duties={duties} here="measure" />
      <MeasureBench
        treeId={tree.id}
        units={viewer.units}
        breastHeightCm={viewer.breastHeightCm}
        host={{ growthCmPerYear: host?.growthCmPerYear ?? 2, largestCm: host?.largestCm ?? 400 }}
        last={
          last
            ? {
                diameterCm: last.diameterCm,
                at: last.at.toISOString(),
                treeHeightM: last.treeHeightM,
                crownWidthM: last.crownWidthM,
                crownBaseM: last.crownBaseM,
                arcs: last.arcs,
                flares: last.flares,
                grainDeg: last.grainDeg,
                stems: last.stems.length,
              }
            : null
        }
      />
    </Frame>
  );
}
