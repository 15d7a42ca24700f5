/** A release that is never told, because it came outside of the window, must not hold the page for ever. */
const LONGEST_PRESS_MS = 5000;

let pressed = false;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

export const isPressed = (): boolean => pressed;

function become(now: boolean): void {
  if (pressed === now) return;
  pressed = now;
  for (const listener of listeners) listener();
}
const release = (): void => {
  clearTimeout(timer);
  become(false);
};
const onDown = (): void => {
  clearTimeout(timer);
  timer = setTimeout(release, LONGEST_PRESS_MS);
  become(true);
};
const onUp = (): void => {
  clearTimeout(timer);
  // The click follows in the same breath; what waited comes after it.
  timer = setTimeout(release, 0);
};

/** Tells when a finger or the mouse's button comes down on the page or is let go. @returns how to stop listening */
export function listenPressed(listener: () => void): () => void {
  if (listeners.size === 0) {
    window.addEventListener('pointerdown', onDown, true);
    for (const end of ['pointerup', 'pointercancel']) window.addEventListener(end, onUp, true);
  }
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    window.removeEventListener('pointerdown', onDown, true);
    for (const end of ['pointerup', 'pointercancel']) window.removeEventListener(end, onUp, true);
    release();
  };
}
