import type { Page } from '@playwright/test';
import axe from 'axe-core';

/**
 * What axe finds wrong on a page as it is, a line each. Its source is run once on a page, which takes most of its time.
 * @param runOnly tags of rules, or ids of rules
 */
export async function violations(page: Page, runOnly: readonly string[]): Promise<string[]> {
  return page.evaluate(
    async ([source, only]) => {
      const held = globalThis as unknown as { axe?: typeof axe };
      // Not a script element: the page takes scripts from its own server only.
      if (!held.axe) (0, eval)(source);
      const found = await held.axe!.run(document, { runOnly: [...only], resultTypes: ['violations'] });
      return found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`);
    },
    [axe.source, runOnly] as const,
  );
}
