'use client';

import { useEffect, useRef, useState } from 'react';
import { useHydrated } from './settled.client';

type Control = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

/** Whether a control differs from what the server sent. */
function changed(control: Control): boolean {
  if (control instanceof HTMLSelectElement) {
    const sent = [...control.options].findIndex((option) => option.defaultSelected);
    return control.selectedIndex !== Math.max(sent, 0);
  }
  const ticked = control instanceof HTMLInputElement && /^(radio|checkbox)$/.test(control.type);
  return ticked ? control.checked !== control.defaultChecked : control.value !== control.defaultValue;
}

/**
 * Hands a change that a user made before the page was hydrated to the page: the control shows it, but React never heard of
 * it, and a form would send what the server proposed instead. Also covers what a browser restores on reload.
 * @param onEarly called once after hydration, only when the control differs from what the server sent
 * @returns the ref to put on the control
 */
export function useEarlyChange<C extends Control>(onEarly: (control: C) => void) {
  const control = useRef<C>(null);
  const hydrated = useHydrated();
  const [cameFromServer] = useState(!hydrated);
  const latest = useRef(onEarly);
  useEffect(() => {
    if (cameFromServer && control.current && changed(control.current)) latest.current(control.current);
  }, [cameFromServer]);
  return control;
}
