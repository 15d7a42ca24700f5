'use client';
import { Button } from 'antd';
import { useNow } from '../api/serverClock';
import { usePrint } from '../shell/facts';
import { type DoorsView, ROLE_SAYS } from './doorsView';

const JUST_NOW_MS = 90_000;

/** Devices that have joined, each put out in one tap. */
export function DevicesList({ devices, onOut }: { devices: DoorsView['devices']; onOut: (id: string) => Promise<void> }) {
  const print = usePrint();
  const now = useNow(30_000);
  if (devices.length === 0) return <p className="quiet">No device has joined.</p>;
  return (
    <ul aria-label="Devices that have joined">
      {devices.map((device) => (
        <li key={device.id} className="row">
          <div className="row-main">
            <strong>{device.name}</strong> <span className="quiet">{ROLE_SAYS[device.role]}</span>
            <p className="quiet">
              {now - device.lastSeenMs < JUST_NOW_MS ? 'here now' : `last seen ${print.date(device.lastSeenMs, now)}`} from {device.address}
            </p>
          </div>
          <Button size="small" aria-label={`Put out: ${device.name}`} onClick={() => void onOut(device.id)}>
            Put out
          </Button>
        </li>
      ))}
    </ul>
  );
}
