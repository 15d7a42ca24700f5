import type { z } from 'zod';
import type * as contract from '@/contract/doors';
import { codeOf, inviteEndsMs, type Role } from '@/core/doors/joining';
import type { Token } from '@/core/doors/scope';
import type { App } from '../app';
import { conflict, notFound } from '../problem';
import { openFront } from './openDoors';

type DoorsView = z.infer<typeof contract.doors>;

const tokenView = ({ id, name, scope, madeAtMs, lastUsedMs }: Token) => ({ id, name, scope, madeAtMs, lastUsedMs });

/** Everything of the doors that a person may see: no secret, nor what one comes to. */
export function doorsView({ doors }: App): DoorsView {
  const front = openFront();
  const { invite } = doors;
  return {
    isOpen: doors.isOpen,
    listening: [...(front?.listening ?? [])],
    trouble: front?.trouble ?? doors.notices[0] ?? null,
    fingerprint: front?.authority?.fingerprint ?? null,
    invite: invite && { digits: codeOf(invite), role: invite.role, endsMs: inviteEndsMs(invite), missed: invite.missed },
    devices: doors.devices.map(({ id, name, role, joinedAtMs, lastSeenMs, address }) => ({ id, name, role, joinedAtMs, lastSeenMs, address })),
    tokens: doors.tokens.map(tokenView),
  };
}

export async function openHome(app: App, isOpen: boolean): Promise<DoorsView> {
  app.doors.setOpen(isOpen);
  await openFront()?.adjust();
  return doorsView(app);
}

export function invite(app: App, role: Role): DoorsView {
  app.doors.letIn(role);
  return doorsView(app);
}

export function endInvite(app: App): DoorsView {
  app.doors.endInvite();
  return doorsView(app);
}

export async function putOut(app: App, id: string): Promise<DoorsView> {
  if (!(await app.doors.putOut(id))) throw notFound('device', id);
  return doorsView(app);
}

export function makeToken(app: App, { id, name, scope }: z.infer<typeof contract.newToken>) {
  if (app.doors.tokens.some((one) => one.id === id)) throw conflict('This token was made before, and is shown only once. Make another one.');
  const { token, secret } = app.doors.makeToken(id, name, scope, app.by?.kind === 'device' ? app.by.id : null);
  return { token: tokenView(token), secret };
}

export async function endToken(app: App, id: string): Promise<DoorsView> {
  if (!(await app.doors.endToken(id))) throw notFound('token', id);
  return doorsView(app);
}

export function whoAmI({ doors, by = { kind: 'machine' } }: App, isSecure: boolean): z.infer<typeof contract.me> {
  switch (by.kind) {
    case 'machine':
      return { kind: 'machine' };
    case 'program':
      return { kind: 'token', name: by.name };
    case 'token':
      return { kind: 'token', name: doors.tokens.find((one) => one.id === by.id)?.name ?? '' };
    case 'device': {
      const device = doors.devices.find((one) => one.id === by.id);
      return { kind: 'device', name: device?.name ?? '', role: device?.role ?? 'eyes', isSecure };
    }
  }
}

/** A device goes by itself. Not waited for: its own act is the one under way. */
export async function leave({ doors, by }: App): Promise<{ left: boolean }> {
  if (by?.kind !== 'device') return { left: false };
  void doors.putOut(by.id);
  return { left: true };
}
