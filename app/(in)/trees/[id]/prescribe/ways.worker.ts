import { waysOf, type WaysAnswer, type WaysAsked } from '@/core/prescribe/ways';
import type { Answered, Asked } from '@/ui/controls/worker.client';

/** Works every way out beside the page. */
onmessage = ({ data }: MessageEvent<Asked<WaysAsked>>) =>
  postMessage({ n: data.n, answer: waysOf(data.asked) } satisfies Answered<WaysAnswer>);
