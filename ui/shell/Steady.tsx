'use client';
import { type ReactNode, useState, useSyncExternalStore } from 'react';
import { isPressed, listenPressed } from './pressed';

/** Stands still while a finger is on the page: what moved between press and release would take the tap, or give it to another. */
export function Steady({ children }: { children: ReactNode }) {
  const pressed = useSyncExternalStore(listenPressed, isPressed, () => false);
  const [shown, setShown] = useState(children);
  if (!pressed && shown !== children) setShown(children);
  return shown;
}
