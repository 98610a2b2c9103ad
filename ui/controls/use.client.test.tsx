/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderToString } from 'react-dom/server';
import { part } from './part.client';
import { useHydrated } from './settled.client';
import { useDraft, useMadeId, useSend } from './use.client';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

interface Form {
  girth: string;
  note: string;
}
function Sheet({ name = 'sheet' }: { name?: string }) {
  const [form, setForm, forget] = useDraft<Form>(name, { girth: '', note: '' });
  const made = useMadeId(name);
  return (
    <form>
      <input
        aria-label="Girth"
        value={form.girth}
        onChange={(e) => setForm((f) => ({ ...f, girth: e.target.value }))}
      />
      <input aria-label="Note" value={form.note} onChange={(e) => setForm((f) => ({ ...f, note: e.target.value }))} />
      <output>{made.id}</output>
      <button type="button" onClick={forget}>
        forget
      </button>
      <button type="button" onClick={made.renew}>
        renew
      </button>
    </form>
  );
}
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const id = () => screen.getByRole('status').textContent;
/** What a browser tells every other tab when one of them writes. */
const elsewhere = (key: string, newValue: string | null) =>
  act(() => void window.dispatchEvent(new StorageEvent('storage', { key, newValue })));
const draftKey = () => Object.keys(localStorage).find((k) => k.endsWith('sheet') && !k.includes('id:'))!;
const idKey = () => Object.keys(localStorage).find((k) => k.includes('id:'))!;

describe('a draft', () => {
  it('is there again after the page was left, with the id of what it makes', async () => {
    render(<Sheet />);
    await userEvent.type(field('Girth'), '145');
    const was = id();
    cleanup();
    render(<Sheet />);
    expect(field('Girth').value).toBe('145');
    expect(id()).toBe(was);
  });

  it('typed in another tab shows here, and what is typed here next lies on top of it', async () => {
    render(<Sheet />);
    await userEvent.type(field('Girth'), '1');
    elsewhere(draftKey(), JSON.stringify({ girth: '145', note: 'from the other tab' }));
    expect([field('Girth').value, field('Note').value]).toEqual(['145', 'from the other tab']);
    await userEvent.type(field('Girth'), '.5');
    expect(JSON.parse(localStorage.getItem(draftKey())!)).toEqual({ girth: '145.5', note: 'from the other tab' });
  });

  it('sent from another tab is empty here, and makes the next thing under the next id', async () => {
    render(<Sheet />);
    await userEvent.type(field('Girth'), '145');
    elsewhere(draftKey(), null);
    expect(field('Girth').value).toBe('');
    elsewhere(idKey(), '0190a000-0000-7000-8000-000000000002');
    expect(id()).toBe('0190a000-0000-7000-8000-000000000002');
  });

  it('is not touched by another form, nor by nonsense under its name', async () => {
    render(<Sheet />);
    await userEvent.type(field('Girth'), '145');
    elsewhere(`${draftKey()}-other`, JSON.stringify({ girth: '9' }));
    elsewhere(draftKey(), '{broken');
    expect(field('Girth').value).toBe('145');
  });
});

describe('sending', () => {
  function Send({ draft }: { draft: boolean }) {
    const { busy, issues, send } = useSend(
      async (): Promise<{ ok: true; value: null }> => {
        throw new Error('the network is gone');
      },
      draft ? { renew: () => {} } : undefined,
    );
    return (
      <button onClick={() => send({})} disabled={busy}>
        {issues[0]?.message ?? 'send'}
      </button>
    );
  }
  it.each([
    [true, 'kept on this device'],
    [false, 'still here'],
  ])('without an answer says what became of the words (draft: %s)', async (draft, words) => {
    render(<Send draft={draft} />);
    await userEvent.click(screen.getByRole('button'));
    expect(await screen.findByText(new RegExp(`No answer from the server.*${words}`))).toBeTruthy();
  });
});

describe('a part that is fetched', () => {
  const Ring = ({ sites }: { sites: number }) => <p>ring of {sites}</p>;
  it('comes when it is shown, and only once', async () => {
    const load = jest.fn(async () => Ring);
    const Part = part(load, ({ sites }) => <p>one moment, {sites}</p>);
    const view = render(<Part sites={12} />);
    expect(screen.getByText('one moment, 12')).toBeTruthy();
    expect(await screen.findByText('ring of 12')).toBeTruthy();
    view.unmount();
    render(<Part sites={3} />);
    expect(screen.getByText('ring of 3')).toBeTruthy();
    expect(load).toHaveBeenCalledTimes(1);
  });
  it('without a network says so in its place, leaves the page alone, and comes when it is tried again', async () => {
    let signal = false;
    const Part = part(async () => {
      if (!signal) throw new Error('no chunk');
      return Ring;
    });
    render(
      <>
        <p>the rest of the page</p>
        <Part sites={4} />
      </>,
    );
    expect((await screen.findByRole('alert')).textContent).toContain('the network does not answer');
    expect(screen.getByText('the rest of the page')).toBeTruthy();
    signal = true;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('ring of 4')).toBeTruthy();
  });
  it('prepared beforehand is there at once', async () => {
    const Part = part(async () => Ring);
    Part.prepare();
    await Promise.resolve();
    await Promise.resolve();
    render(<Part sites={7} />);
    expect(screen.getByText('ring of 7')).toBeTruthy();
  });
});

it('the server and the first paint do not know yet that the page lives', () => {
  const Live = () => <p>{useHydrated() ? 'alive' : 'as sent'}</p>;
  expect(renderToString(<Live />)).toContain('as sent');
  render(<Live />);
  expect(screen.getByText('alive')).toBeTruthy();
});
