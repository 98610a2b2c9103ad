/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import { useWorked, type Asked } from './worker.client';

/** A worker whose answers come when the test says so. */
class Slow {
  static all: Slow[] = [];
  onmessage: ((e: MessageEvent) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: Asked<number>[] = [];
  ended = false;
  constructor() {
    Slow.all.push(this);
  }
  postMessage(question: Asked<number>) {
    this.asked.push(question);
  }
  terminate() {
    this.ended = true;
  }
  answer(i: number) {
    const { n, asked } = this.asked[i]!;
    act(() => this.onmessage?.({ data: { n, answer: asked * 2 } } as MessageEvent));
  }
}
const slow = () => new Slow() as unknown as Worker;
const none = (): Worker => {
  throw new Error('no worker here');
};
const here = async () => (x: number) => x * 2;

function Sum({ of, start = slow }: { of: number; start?: () => Worker }) {
  const { answer, behind } = useWorked(start, here, of);
  return <output aria-busy={behind}>{answer ?? 'nothing yet'}</output>;
}
const shown = () => screen.getByRole('status');

beforeEach(() => (Slow.all = []));
afterEach(cleanup);

describe('a sum that a worker does', () => {
  it('is not there at first, then is, and one worker serves every question', () => {
    const { rerender, unmount } = render(<Sum of={3} />);
    expect(shown().textContent).toBe('nothing yet');
    Slow.all[0]!.answer(0);
    expect(shown().textContent).toBe('6');
    expect(shown().getAttribute('aria-busy')).toBe('false');
    rerender(<Sum of={5} />);
    expect(shown().textContent).toBe('6');
    expect(shown().getAttribute('aria-busy')).toBe('true');
    Slow.all[0]!.answer(1);
    expect(shown().textContent).toBe('10');
    expect(Slow.all).toHaveLength(1);
    unmount();
    expect(Slow.all[0]!.ended).toBe(true);
  });
  it('an answer to an older question never stands for a newer one', () => {
    const { rerender } = render(<Sum of={3} />);
    rerender(<Sum of={5} />);
    Slow.all[0]!.answer(1);
    Slow.all[0]!.answer(0);
    expect(shown().textContent).toBe('10');
    expect(shown().getAttribute('aria-busy')).toBe('false');
  });
  it('without workers, or when one fails, it is done in this thread', async () => {
    render(<Sum of={3} start={none} />);
    await act(async () => {});
    expect(shown().textContent).toBe('6');
    cleanup();
    render(<Sum of={7} />);
    await act(async () => Slow.all[0]!.onerror!());
    expect(shown().textContent).toBe('14');
  });
});
