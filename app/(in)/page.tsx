import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { showTemperature } from '@/lib/units/units';
import { fromToday, longDay } from '@/ui/words';
import { clockNow } from '@/store/clock';
import { todayView } from '@/views/today';
import { stationFor } from '../_server/station';
import { allows, viewer } from '../_server/viewer';
import { DevicesOnTrees } from './jobs/devices/devices-on-trees';
import { Sites } from './jobs/sites';
import { NotPlanned } from './not-planned';
import { TaskList } from './tasks';
import { ToSettle } from './to-settle';
import {
  DueRows,
  ForbiddenToday,
  NextWeeks,
  OnTheTruck,
  StagesToNote,
  stopsToday,
  TimeOver,
  WaitingForCrew,
  wanted,
} from './today';
import { DayTag, StationNow } from './today-air';

export default async function Today() {
  const v = await viewer();
  const at = clockNow();
  const station = stationFor(v.spot);
  const air = station.at(at);
  const day = await todayView(v, at, stationFor);
  const { today, late, due, tasks, plans, works, sites } = day;
  const stops = stopsToday(day.undecided);
  // All of it is counted, whatever the lists below have room for.
  const dueTasks = tasks.filter((t) => t.due <= today).length;
  const count = sites.reduce((a, x) => a + x.plans + x.works + x.visits, dueTasks);
  const over = Math.max(
    day.over.length,
    sites.reduce((a, x) => a + x.over, 0),
  );
  const settle = allows(v, 'settle a follow-up');
  const head = (
    <div className="flex min-h-[66px] items-center justify-between px-4">
      <b className="text-head">{longDay(today)}</b>
      {air.temperatureC !== null && <span className="text-small">{showTemperature(air.temperatureC, v.units)}</span>}
    </div>
  );
  return (
    <Frame
      tag={<DayTag viewer={v} today={today} station={station} air={air} />}
      head={head}
      margin={
        <>
          <ForbiddenToday stops={stops} />
          <OnTheTruck plans={plans} units={v.units} />
          <StationNow station={station} air={air} units={v.units} />
        </>
      }
      handle={
        stops.length ? `${stops.length} ${stops.length === 1 ? 'thing' : 'things'} forbidden today` : 'Weather and load'
      }
    >
      <h1>{wanted(count)} you today</h1>
      <DevicesOnTrees {...day.hanging} />
      <ToSettle done={day.unsettled} />
      <Section title="Late" aside="counted from what was done" empty={late.length === 0 && 'Nothing is late.'}>
        <DueRows
          visits={late}
          settle={settle}
          right={(f) => <span className="font-bold text-madder">{fromToday(f.due, today)}</span>}
        />
      </Section>
      <Section title="Due today" empty={due.length === 0 && 'Nothing falls due today.'}>
        <DueRows
          visits={due}
          settle={settle}
          right={(f) => (
            <span className="font-bold">{f.kind === 'treat-again' ? 'treat again' : f.kind.replace('-', ' ')}</span>
          )}
        />
      </Section>
      {tasks.length > 0 && (
        <Section title="At places, without a plan">
          <TaskList tasks={tasks} today={today} may={settle} place />
        </Section>
      )}
      <WaitingForCrew day={day} units={v.units} />
      {over > 0 && <TimeOver count={over} />}
      <Sites
        sites={sites}
        shown={{ plans: plans.length, works: works.length, over: Infinity, visits: late.length + due.length }}
      />
      <NotPlanned undecided={day.undecided} more={day.moreUndecided} />
      {day.look.length > 0 && allows(v, 'measure') && <StagesToNote look={day.look} today={today} />}
      <NextWeeks
        near={day.ahead.filter((p) => p.earliest! <= day.horizon)}
        soon={day.soon}
        today={today}
        horizon={day.horizon}
      />
    </Frame>
  );
}
