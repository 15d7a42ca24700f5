/** Told once the page answers. */
export const AWAKE = 'hyndle-awake';

/**
 * Stands in the page's first bytes: a page is seen before its script answers, and a tap or a word of that half second must
 * not be lost. They are kept, and done once the page is awake. Links work by themselves. It runs as text, so it may use
 * nothing from outside itself.
 */
export function keepEarlyTaps(awake: string): void {
  type Early = { readonly kind: 'tap'; readonly on: HTMLElement } | { readonly kind: 'type'; readonly on: HTMLInputElement | HTMLTextAreaElement };
  const early: Early[] = [];
  const typed = new Map<HTMLElement, { readonly before: string; now: string }>();
  const isField = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement =>
    (target instanceof HTMLInputElement && !['checkbox', 'radio', 'file'].includes(target.type)) || target instanceof HTMLTextAreaElement;

  const onClick = (event: MouseEvent) => {
    const on = event.target;
    if (!(on instanceof HTMLElement || on instanceof SVGElement) || on.closest('a[href]')) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    // The button itself: what is in it may be drawn anew while the page wakes.
    const control = on.closest<HTMLElement>('button') ?? (on instanceof HTMLElement ? on : on.closest<HTMLElement>('label, [role]'));
    early.push({ kind: 'tap', on: control ?? document.body });
  };
  const onFocus = (event: FocusEvent) => {
    if (isField(event.target) && !typed.has(event.target)) typed.set(event.target, { before: event.target.value, now: event.target.value });
  };
  const onInput = (event: Event) => {
    const on = event.target;
    const kept = on instanceof HTMLElement ? typed.get(on) : undefined;
    if (!isField(on) || !kept) return;
    kept.now = on.value;
    if (!early.some((one) => one.kind === 'type' && one.on === on)) early.push({ kind: 'type', on });
  };
  const doTap = (on: HTMLElement) => {
    // Some controls open at the press, some at the click.
    for (const type of ['mousedown', 'mouseup']) on.dispatchEvent(new MouseEvent(type, { bubbles: true, cancelable: true }));
    on.click();
  };
  const doType = (on: HTMLInputElement | HTMLTextAreaElement, kept: { readonly before: string; readonly now: string }) => {
    const kind = on instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
    // First what the page believes to be there, by its own way of noting it; then the word, as a hand would bring it.
    on.value = kept.before;
    Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set?.call(on, kept.now);
    on.dispatchEvent(new Event('input', { bubbles: true }));
  };
  document.addEventListener('click', onClick, true);
  document.addEventListener('focusin', onFocus, true);
  document.addEventListener('input', onInput, true);
  window.addEventListener(
    awake,
    () => {
      document.removeEventListener('click', onClick, true);
      document.removeEventListener('focusin', onFocus, true);
      document.removeEventListener('input', onInput, true);
      for (const one of early) {
        const kept = one.kind === 'type' ? typed.get(one.on) : undefined;
        if (one.kind === 'tap') doTap(one.on);
        else if (kept) doType(one.on, kept);
      }
    },
    { once: true },
  );
}
