'use client';
import { App, Button } from 'antd';
import { useState } from 'react';
import type { Home } from '@/core/kitchen/home';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { starterVessels } from './starterKitchen';

/** A usual kitchen in one tap. */
export function StarterKitchen({ home, isFirst = true }: { home: Home /** The next thing to do. */; isFirst?: boolean }) {
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  // Ids of this button: pressed again after a lost answer, it adds nothing twice.
  const [ids] = useState(() => starterVessels(home).map(() => newId()));
  const add = async () => {
    setBusy(true);
    try {
      for (const [i, vessel] of starterVessels(home).entries()) await post('/vessels', { id: ids[i], ...vessel });
      void message.success('The starter kitchen is set up. Change it to match yours under Shelf.');
    } catch (error) {
      void message.error(errorText(error), 8);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Button type={isFirst ? 'primary' : 'default'} loading={busy} onClick={() => void add()}>
      Use a starter kitchen
    </Button>
  );
}
