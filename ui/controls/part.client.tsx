'use client';

import { useEffect, useState, type ComponentType, type ReactNode } from 'react';

/** A part that is fetched when it is first shown. */
export interface FetchedPart<P> {
  (props: P): ReactNode;
  /** Fetches it beforehand, so that it can be shown without a network. */
  prepare(): void;
}

/**
 * A part of a page that comes when it is first shown. Without a network it says so in its place, and the page around it, with
 * all that was typed, stays as it is.
 * @param waiting what stands in its place meanwhile
 */
export function part<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: (props: P) => ReactNode = () => null,
): FetchedPart<P> {
  let ready: ComponentType<P> | null = null;
  const fetched = async () => (ready = await load());
  const Part: FetchedPart<P> = (props) => (
    <Fetched ready={ready} fetch={fetched} waiting={waiting(props)} props={props} />
  );
  Part.prepare = () => void fetched().catch(() => {});
  return Part;
}

function Fetched<P extends object>({
  ready,
  fetch,
  waiting,
  props,
}: {
  ready: ComponentType<P> | null;
  fetch: () => Promise<ComponentType<P>>;
  waiting: ReactNode;
  props: P;
}) {
  const [Shown, setShown] = useState(() => ready);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    if (Shown || failed) return;
    let here = true;
    fetch().then(
      (c) => here && setShown(() => c),
      () => here && setFailed(true),
    );
    return () => void (here = false);
  }, [Shown, failed, fetch]);
  if (Shown) return <Shown {...props} />;
  if (!failed) return waiting;
  return (
    <div role="alert" className="my-3 border-l-4 border-sap bg-sheet p-3 text-ink">
      <p className="font-semibold">This part has not come yet, and the network does not answer.</p>
      <p>Everything else goes on working, and what you typed stays.</p>
      <button type="button" className="press mt-2" onClick={() => setFailed(false)}>
        Try again
      </button>
    </div>
  );
}
