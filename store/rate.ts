import { within, type Scope } from './db';

/** How often something may be done: so many times in so many seconds. */
export interface Rate {
  what: string;
  most: number;
  seconds: number;
}

/**
 * Counts one more time, in a window that begins with the first; servers in any number count together.
 * @returns seconds to wait, or null where it may be done
 */
export const tooOften = (scope: Scope, rate: Rate): Promise<number | null> =>
  within(scope, async (tx) => {
    const [counted] = await tx<{ times: number; left: number }[]>`
      insert into rate (company_id, person_id, what, began, times)
      values (${scope.companyId}, ${scope.personId}, ${rate.what}, now(), 1)
      on conflict (company_id, person_id, what) do update
      set times = case when rate.began < now() - make_interval(secs => ${rate.seconds}) then 1 else rate.times + 1 end,
        began = case when rate.began < now() - make_interval(secs => ${rate.seconds}) then now() else rate.began end
      returning times, extract(epoch from began + make_interval(secs => ${rate.seconds}) - now())::float8 as left`;
    // A window that another transaction began a moment later ends no later than a whole one from now.
    return counted!.times > rate.most ? Math.min(rate.seconds, Math.max(1, Math.ceil(counted!.left))) : null;
  });
