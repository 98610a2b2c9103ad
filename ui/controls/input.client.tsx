'use client';

import { useEffect, useRef, useState, type ChangeEvent, type ComponentProps, type RefObject } from 'react';
import { useHydrated } from './settled.client';

type Control = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

const isTicked = (control: Control) => control instanceof HTMLInputElement && /^(radio|checkbox)$/.test(control.type);

/** Whether a control differs from what the server sent. */
function changed(control: Control): boolean {
  if (control instanceof HTMLSelectElement) {
    const sent = [...control.options].findIndex((option) => option.defaultSelected);
    return control.selectedIndex !== Math.max(sent, 0);
  }
  if (!isTicked(control)) return control.value !== control.defaultValue;
  const { type, checked, defaultChecked } = control as HTMLInputElement;
  // Of a group of radios, the one that is chosen now tells of the change.
  return checked !== defaultChecked && (checked || type === 'checkbox');
}

/**
 * Hears a change that a user made before the page was hydrated: the control shows it, but React never heard of it, and a form
 * would send what the server proposed instead. Also hears what a browser restores on reload.
 * @param onChange as of the control; called once after hydration, only when the control differs from what the server sent
 * @param given the caller's own ref, where it has one
 * @returns the ref to put on the control
 */
function useEarlyChange<C extends Control>(
  onChange: ((event: ChangeEvent<C>) => void) | undefined,
  given: RefObject<C | null> | undefined,
) {
  const own = useRef<C>(null);
  const control = given ?? own;
  const hydrated = useHydrated();
  const [cameFromServer] = useState(!hydrated);
  const atFirst = useRef(onChange);
  useEffect(() => {
    const target = control.current;
    if (cameFromServer && target && changed(target))
      atFirst.current?.({ target, currentTarget: target } as ChangeEvent<C>);
  }, [cameFromServer, control]);
  return control;
}

type Props<Tag extends 'input' | 'select' | 'textarea', C> = Omit<ComponentProps<Tag>, 'ref'> & {
  ref?: RefObject<C | null>;
};

/** An input whose changes are heard from the first paint on. */
export function Input({ ref, ...props }: Props<'input', HTMLInputElement>) {
  return <input ref={useEarlyChange(props.onChange, ref)} {...props} />;
}

/** A list whose changes are heard from the first paint on. */
export function Select({ ref, ...props }: Props<'select', HTMLSelectElement>) {
  return <select ref={useEarlyChange(props.onChange, ref)} {...props} />;
}

/** Lines of text whose changes are heard from the first paint on. */
export function TextBox({ ref, ...props }: Props<'textarea', HTMLTextAreaElement>) {
  return <textarea ref={useEarlyChange(props.onChange, ref)} {...props} />;
}
