import type { Answered, Asked } from '@/ui/controls/worker.client';
import { begin, inspectionOn, type Found, type SearchAsked } from './found';

/** Milliseconds between two words to the page. */
const WORD = 400;
let latest = 0;

/** Looks for days and crews beside the page, and tells what it has; a newer question ends an older one. */
onmessage = ({ data }: MessageEvent<Asked<SearchAsked>>) => {
  latest = data.n;
  const search = begin(data.asked);
  const began = performance.now();
  const go = () => {
    if (latest !== data.n) return;
    const now = () => performance.now();
    const answer = inspectionOn(search, data.asked.ms, began, now() + WORD, now);
    postMessage({ n: data.n, answer } satisfies Answered<Found>);
    if (answer.share < 1) setTimeout(go, 0);
  };
  go();
};
