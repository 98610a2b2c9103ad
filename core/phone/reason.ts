/** Places of a write in which somebody may add a reason afterwards: why it was done all the same. What was done stays as it was. */
export const REASON = /^(deviation|words|reason|released\.[a-z0-9-]{1,60})$/;

/** Where the reason goes that a fault asks for: a gate's into what was released. Null where none would help. */
export function reasonFor(path: string): string | null {
  const at = path.replace(/^gates\./, 'released.');
  return REASON.test(at) ? at : null;
}
