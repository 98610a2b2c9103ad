import { cookies } from 'next/headers';
import Link from 'next/link';
import { THEME_COOKIE, THEMES } from '@/core/people/looks';
import { CM_PER_IN } from '@/lib/units/units';
import { regions } from '@/knowledge';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { openSessions } from '@/store/auth';
import { dayAndClock, shortDay } from '@/ui/words';
import { allows, COOKIE, viewer } from '../../_server/viewer';
import { CalendarAddress, ChangePassword, Leave, CompanyForm, Preferences, Sessions } from './settings.client';

export const metadata = { title: 'Your settings' };

export default async function Me() {
  const v = await viewer();
  const sessions = await openSessions(v, (await cookies()).get(COOKIE)?.value ?? '');
  const kept = (await cookies()).get(THEME_COOKIE)?.value;
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{v.name}</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{v.companyName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Role">{v.role}</TagLine>
        <TagLine name="Licence">{v.licence?.number ?? 'none'}</TagLine>
        {v.licence && <TagLine name="Until">{shortDay(v.licence.expires)}</TagLine>}
      </dl>
    </>
  );
  return (
    <Frame
      tag={tag}
      margin={
        <p className="text-[0.9375rem]">
          Amounts are worked out in metric units whatever you read; what you type is kept beside them as you typed it.
        </p>
      }
      handle="About units"
    >
      <h1>Your settings</h1>
      <Preferences units={v.units} theme={THEMES.find((t) => t === kept) ?? v.theme} />
      <CalendarAddress />
      <ChangePassword />
      {allows(v, 'manage people') && (
        <CompanyForm
          company={{
            name: v.companyName,
            region: v.region,
            breastHeight: String(
              v.units === 'us' ? Math.round((v.breastHeightCm / CM_PER_IN) * 10) / 10 : v.breastHeightCm,
            ),
            unit: v.units === 'us' ? 'in' : 'cm',
            paper: v.paper,
          }}
          regions={Object.entries(regions).map(([value, r]) => ({ value, name: r.name }))}
        />
      )}
      <p className="mt-8">
        <Link href="/settings/team">People and roles</Link>
      </p>
      <Sessions
        list={sessions.map((s) => ({
          id: s.id,
          words: `${s.device || 'device'}, since ${dayAndClock(s.since, v.timeZone)}, last used ${dayAndClock(s.usedAt, v.timeZone)}`,
          here: s.here,
        }))}
      />
      <Leave />
    </Frame>
  );
}
