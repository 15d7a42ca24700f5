import { test as base, expect, type Locator, type Page } from '@playwright/test';

export { expect };

/**
 * The same tests with other hands: with `HANDS=keyboard` every click and tick of a test is made without a pointer — Tab until
 * the control has the focus, arrows within a group or a list, then Enter or Space. What cannot be reached so fails.
 */
export const test = base.extend({
  page: async ({ page }, use) => {
    if (process.env.HANDS === 'keyboard') takeThePointerAway(page);
    await use(page);
  },
});

const MOST_TABS = 250;

interface Target {
  /** The focus is on it, in it, or in its group. */
  readonly here: boolean;
  readonly kind: 'press' | 'tick' | 'group' | 'list' | 'choice' | 'out of reach';
  readonly done: boolean;
  readonly what: string;
}

/** Runs in the page: what a clicked element is to a keyboard, and whether the focus is there. */
function look(element: Element): Target {
  const active = document.activeElement;
  const what = `${element.tagName} ${element.getAttribute('role') ?? ''} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').slice(0, 60)}”`;
  const option = element.closest('[role=option], .ant-select-item-option, .ant-picker-cell');
  if (option) return { here: true, kind: 'list', done: option.matches('.ant-select-item-option-active, .ant-picker-cell-selected, [data-active=true]'), what };
  const label = element.closest('label');
  const control = (label?.querySelector('input') ??
    element.closest('button, a[href], input, textarea, summary, [role=button], [role=tab], [tabindex]')) as HTMLElement | null;
  if (!control || (control as HTMLButtonElement).disabled) return { here: false, kind: 'out of reach', done: false, what };
  const input = control instanceof HTMLInputElement ? control : null;
  if (input?.type === 'radio') {
    const near = active instanceof HTMLInputElement && active.type === 'radio' && active.name === input.name;
    return { here: near, kind: 'group', done: input.checked, what };
  }
  if (control.getAttribute('role') === 'tab') {
    const near = active?.getAttribute('role') === 'tab' && active.closest('[role=tablist]') === control.closest('[role=tablist]');
    return { here: near, kind: 'group', done: near && active === control, what };
  }
  const here = active === control || control.contains(active);
  if (input?.type === 'checkbox') return { here, kind: 'tick', done: input.checked, what };
  return { here, kind: input?.getAttribute('role') === 'combobox' ? 'choice' : 'press', done: false, what };
}

async function reach(locator: Locator, page: Page): Promise<Target> {
  await locator.waitFor({ state: 'visible' });
  // As a click waits for it.
  await expect(locator).toBeEnabled();
  let target = await locator.evaluate(look);
  for (let tabs = 0; !target.here; tabs++) {
    if (target.kind === 'out of reach' || tabs > MOST_TABS) throw new Error(`No way by keyboard to ${target.what}`);
    await page.keyboard.press('Tab');
    target = await locator.evaluate(look);
  }
  return target;
}

async function press(locator: Locator, page: Page): Promise<void> {
  const target = await reach(locator, page);
  switch (target.kind) {
    case 'press':
      return page.keyboard.press('Enter');
    case 'tick':
      return page.keyboard.press('Space');
    case 'choice':
      return page.keyboard.press('ArrowDown');
    case 'group':
    case 'list': {
      const key = target.kind === 'group' ? 'ArrowRight' : 'ArrowDown';
      for (let steps = 0; !(await locator.evaluate(look)).done; steps++) {
        if (steps > MOST_TABS) throw new Error(`The arrow keys never come to ${target.what}`);
        await page.keyboard.press(key);
      }
      return target.kind === 'list' || (await locator.getAttribute('role')) === 'tab' ? page.keyboard.press('Enter') : undefined;
    }
    case 'out of reach':
      throw new Error(`No way by keyboard to ${target.what}`);
  }
}

function takeThePointerAway(page: Page): void {
  const hands = Object.getPrototypeOf(page.locator('body')) as {
    click: (options?: { position?: unknown }) => Promise<void>;
    check: () => Promise<void>;
    uncheck: () => Promise<void>;
    tap: () => Promise<void>;
    withPointer?: Locator['click'];
  };
  if (hands.withPointer) return;
  hands.withPointer = hands.click as Locator['click'];
  hands.click = async function (this: Locator, options) {
    // A place within a picture is for the pointer: the way beside it ("Take the middle") is a button.
    return options?.position ? hands.withPointer?.call(this, options as Parameters<Locator['click']>[0]) : press(this, this.page());
  };
  hands.tap = async function (this: Locator) {
    return press(this, this.page());
  };
  hands.check = async function (this: Locator) {
    if (!(await this.isChecked())) await press(this, this.page());
  };
  hands.uncheck = async function (this: Locator) {
    if (await this.isChecked()) await press(this, this.page());
  };
}
