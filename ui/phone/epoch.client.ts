'use client';

const PLACE = 'elmhorn:epoch';

/**
 * The time since somebody last let go of this phone, as a mark that all its tabs share. What was begun under another mark is not
 * kept: an answer that is on its way while somebody signs out finds that it is too late.
 */
export function epochNow(): string {
  try {
    return localStorage.getItem(PLACE) ?? '';
  } catch {
    return '';
  }
}

/** Everything that is under way ends: whatever it fetches is thrown away. */
export function endEpoch(): void {
  try {
    localStorage.setItem(PLACE, crypto.randomUUID());
  } catch {}
}
