/** Most writes that travel together: few enough that a thin line carries them before it breaks again. */
export const MOST_TOGETHER = 40;
/** Days that a phone may hold rounds without having met the server. */
export const LEASE_DAYS = 7;
/** Days ahead whose rounds a phone holds, today among them. */
export const HOLDS_DAYS = 5;
