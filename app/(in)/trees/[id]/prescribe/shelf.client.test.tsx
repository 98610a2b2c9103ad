/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { trainingLabels } from '@/knowledge';
import { useShelf } from './shelf.client';

const [near, far] = [trainingLabels[0]!, trainingLabels[1]!];
const NEAR = [{ id: 'near', label: near }];
const FAR = [{ id: 'far', key: far.key, name: far.name, actives: ['x'], uses: [] }];

function Bench({ pick }: { pick: string }) {
  const { shelf, far: byName, wanted, again } = useShelf(NEAR, FAR, pick);
  return (
    <>
      <output>{[...shelf.map((h) => h.id), ...byName.map((f) => `(${f.id})`)].join(' ')}</output>
      <p>{!wanted && 'all here'}</p>
      <p>{wanted && (wanted.failed ? 'did not come' : 'under way')}</p>
      <button onClick={again}>Try again</button>
    </>
  );
}
const here = () => screen.getByRole('status').textContent;
const fetched: string[] = [];
const answers = (...each: (() => Promise<Partial<Response>>)[]) => {
  global.fetch = ((path: string) => {
    fetched.push(path);
    return each.shift()!();
  }) as typeof fetch;
};

afterEach(() => {
  cleanup();
  fetched.length = 0;
});

describe('the shelf at the bench', () => {
  it('asks for nothing while a label is picked that is here', async () => {
    answers();
    render(<Bench pick={`${near.key}/a`} />);
    expect(here()).toBe('near (far)');
    expect(screen.getByText('all here')).toBeTruthy();
    expect(fetched).toEqual([]);
  });
  it('fetches a label for other trees once, when one of its uses is picked', async () => {
    answers(async () => ({ ok: true, json: async () => far }));
    const { rerender } = render(<Bench pick={`${far.key}/${far.uses[0]!.key}`} />);
    expect(screen.getByText('under way')).toBeTruthy();
    await act(async () => {});
    expect(here()).toBe('near far');
    expect(screen.getByText('all here')).toBeTruthy();
    rerender(<Bench pick={`${near.key}/a`} />);
    rerender(<Bench pick={`${far.key}/${far.uses[0]!.key}`} />);
    expect(fetched).toEqual(['/api/labels/far']);
  });
  it('says when it does not come, and tries again when asked to', async () => {
    answers(
      async () => ({ ok: false, statusText: 'gone' }),
      async () => Promise.reject(new TypeError('no network')),
      async () => ({ ok: true, json: async () => far }),
    );
    render(<Bench pick={`${far.key}/x`} />);
    await act(async () => {});
    expect(screen.getByText('did not come')).toBeTruthy();
    await userEvent.click(screen.getByRole('button'));
    expect(screen.getByText('did not come')).toBeTruthy();
    await userEvent.click(screen.getByRole('button'));
    expect(screen.getByText('all here')).toBeTruthy();
    expect(here()).toBe('near far');
  });
});
