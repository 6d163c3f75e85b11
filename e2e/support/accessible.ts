import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Whoever speaks to the screen says what stands on it (WCAG 2.2, 2.5.3). Axe tries it when asked. */
export const AS_SEEN = { 'label-content-name-mismatch': { enabled: true } } as const;

/** Axe finds nothing on the page, or in a part of it. */
export async function mustBeAccessible(page: Page, part = 'body'): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .include(part)
    .options({ rules: AS_SEEN })
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html}`)).toEqual([]);
}
