import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { dayAndClock } from '@/ui/words';
import { phoneView } from '@/views/phone';
import { viewer } from '../../_server/viewer';
import { EndPhone, Inspection } from './conflicts.client';
import { ThisPhone } from './this-phone.client';

export const metadata = { title: 'This phone' };

export default async function Page() {
  const v = await viewer();
  const { looks, phones } = await phoneView(v);
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">This phone</p>
          <p className="mt-2 text-[0.9375rem] text-ink-2">What it holds, what waits on it, and what came back.</p>
        </>
      }
      handle="Phones"
      margin={
        <section>
          <h2 className="text-body">Phones</h2>
          {phones.length === 0 && <p className="text-ink-2">None has met this server yet.</p>}
          <ul>
            {phones.map((p) => (
              <li key={p.id} className="row py-2 text-[0.9375rem]">
                <b className={p.endedAt ? 'line-through' : ''}>{p.name}</b>, {p.personName}
                <span className="block text-small text-ink-2">
                  {p.endedAt
                    ? `Ended ${dayAndClock(p.endedAt, v.timeZone)}; it shows nothing once it hears of it, at the latest seven days after it was last heard.`
                    : `Heard ${dayAndClock(p.lastSeen, v.timeZone)}${p.waiting ? `, ${p.waiting} waiting` : ''}`}
                </span>
                <EndPhone id={p.id} ended={p.endedAt !== null} name={`${p.name}, ${p.personName}`} />
              </li>
            ))}
          </ul>
        </section>
      }
    >
      <ThisPhone />
      <Section title="Needs a look" aside={looks.length ? 'refused, and kept until somebody has settled it' : ''}>
        {looks.length === 0 && <p className="text-ink-2">Everything that came from phones has landed.</p>}
        <ul>
          {looks.map((l) => (
            <Inspection
              key={l.id}
              look={{
                id: l.id,
                what: l.what,
                by: l.personName,
                phone: l.phoneName,
                seen: dayAndClock(l.seenAt, v.timeZone),
                // Both times are told where the clock of the phone was wrong.
                clock:
                  Math.abs(l.seenAt.getTime() - l.clockAt.getTime()) > 60_000
                    ? dayAndClock(l.clockAt, v.timeZone)
                    : null,
                issues: l.issues,
                mine: l.mine,
                trees: l.trees.map(({ id, tag, siteName }) => ({ id, name: `${tag}, ${siteName}` })),
              }}
            />
          ))}
        </ul>
      </Section>
    </Frame>
  );
}
