import { showTemperature, showWind } from '@/lib/units/units';
import { Bar } from '@/ui/frame/bar.client';
import { PhoneKeeper } from '@/ui/phone/phone.client';
import { FocusOnWork } from '@/ui/frame/focus.client';
import { UndoBar } from '@/ui/frame/undo.client';
import { stationFor } from '../_server/station';
import { currentFloor, viewer } from '../_server/viewer';
import { clockNow } from '@/store/clock';

export default async function SignedIn({ children }: { children: React.ReactNode }) {
  const v = await viewer();
  const weather = stationFor(v.spot).at(clockNow());
  return (
    <UndoBar>
      <PhoneKeeper key={v.personId} personId={v.personId}>
        <a
          href="#work"
          className="sr-only focus:not-sr-only focus:absolute focus:top-1 focus:left-1 focus:z-40 focus:bg-sheet focus:px-4 focus:py-3 focus:font-bold"
        >
          To the work
        </a>
        <Bar
          name={v.name}
          madeAt={clockNow().toISOString()}
          timeZone={v.timeZone}
          due={(await currentFloor())?.waiting ?? 0}
          weather={
            weather.temperatureC === null || weather.windMs === null
              ? ''
              : `Station ${showTemperature(weather.temperatureC, v.units)}, wind ${showWind(weather.windMs, v.units)}`
          }
        />
        <FocusOnWork />
        {children}
      </PhoneKeeper>
    </UndoBar>
  );
}
