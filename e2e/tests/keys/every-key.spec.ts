import { expect, test } from '@playwright/test';
import { KEYS, type KeyBinding, type KeyPlace } from '../../../web/src/keys/key-table';
import { eventOf, LAYOUTS, strike } from '../../support/layouts';
import { placeOf } from '../../support/studio';
import { BOXES_CHECKS } from './checks/boxes';
import { CHEST_CHECKS } from './checks/chest';
import type { Check, ChecksOf } from './checks/hands';
import { LOAD_CHECKS } from './checks/load';
import { SORT_CHECKS } from './checks/sort';

// The types hold it complete: a key of the table without a check does not compile.
const CHECKS: ChecksOf<KeyPlace> = { ...SORT_CHECKS, ...CHEST_CHECKS, ...BOXES_CHECKS, ...LOAD_CHECKS };

// Where a layout sends the very same events as another one, pressing them again would show nothing new.
const isNew = (stroke: string, layout: number): boolean => {
  const sent = LAYOUTS.map((one) => JSON.stringify(eventOf(stroke, one)));
  return sent.indexOf(sent[layout] ?? '') === layout;
};

for (const place of Object.keys(KEYS) as KeyPlace[])
  LAYOUTS.forEach((layout, number) => {
    const strokes = Object.entries<KeyBinding>(KEYS[place]).flatMap(([name, entry]) =>
      entry.strokes.filter((stroke) => isNew(stroke, number)).map((stroke) => ({ name, stroke })),
    );
    if (strokes.length === 0) return;
    test(`${place}: each key of the table does what it says on the layout ${layout}`, async ({ page }) => {
      test.setTimeout(300_000);
      await page.goto(await placeOf('sort'));
      await expect(page.getByRole('row').nth(12)).toBeVisible();
      const checks = CHECKS[place] as Readonly<Record<string, Check>>;
      for (const { name, stroke } of strokes)
        await test.step(`${name}: ${stroke}`, async () => {
          await checks[name]?.(page, () => strike(page, stroke, layout), stroke);
        });
    });
  });
