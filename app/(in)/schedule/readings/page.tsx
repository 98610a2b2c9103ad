import { notFound } from 'next/navigation';
import { weatherReadingSchema } from '@/core/exchange/weather-reading';
import { refusal } from '@/core/people/rights';
import { getSite } from '@/store/sites';
import { stationColumns } from '@/store/season';
import { Frame } from '@/ui/frame/frame';
import { allows, idOr404, viewer } from '@/app/_server/viewer';
import { Readings } from './readings.client';

export const metadata = { title: 'Readings of a station' };

export default async function Page({ searchParams }: { searchParams: Promise<{ place?: string }> }) {
  const v = await viewer();
  const id = idOr404((await searchParams).place ?? '');
  const [place, columns] = await Promise.all([getSite(v, id), stationColumns(v, id)]);
  if (!place) return notFound();
  const known = weatherReadingSchema.safeParse(columns);
  const margin = (
    <section>
      <h2 className="text-body">How it goes</h2>
      <ol className="list-decimal pl-5 text-[0.9375rem]">
        <li>Choose the file of the station: CSV, a line an hour or less, with the names of its columns.</li>
        <li>See that each column was understood, in which unit, and say what the file does not say.</li>
        <li>All lines come in, or none; what is wrong is named line by line.</li>
      </ol>
      <p className="mt-3 text-[0.9375rem]">
        Hours that are brought again are replaced. A missing stretch is filled from the nearest station, or from the
        usual year where none measures, and the page of the season says how much is your own.
      </p>
    </section>
  );
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">Readings</p>
          <p className="mt-2 text-[0.9375rem] text-ink-2">{place.name}</p>
        </>
      }
      margin={margin}
      handle="How it goes"
    >
      <h1 className="mb-4">Readings of the station at {place.name}</h1>
      {allows(v, 'edit grounds') ? (
        <Readings siteId={place.id} timeZone={place.timeZone} known={known.success ? known.data : null} />
      ) : (
        <p>{refusal(v.role, 'edit grounds')}</p>
      )}
    </Frame>
  );
}
