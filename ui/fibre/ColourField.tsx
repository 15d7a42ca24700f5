'use client';
import { Button, ColorPicker } from 'antd';

interface Props {
  readonly value?: string | null;
  readonly onChange?: (hex: string | null) => void;
}

/** A colour of fibre or liquor, or unknown: nobody looked. */
export function ColourField({ value: hex = null, onChange }: Props) {
  return (
    <div className="line line-tight">
      <ColorPicker
        value={hex ?? '#ece6d8'}
        disabledAlpha
        disabledFormat
        onChange={(colour) => onChange?.(colour.toHexString().slice(0, 7))}
        showText={() => hex ?? 'nobody looked'}
      />
      {hex ? (
        <Button type="text" onClick={() => onChange?.(null)}>
          Unknown
        </Button>
      ) : null}
    </div>
  );
}
