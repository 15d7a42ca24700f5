'use client';
import { AudioOutlined } from '@ant-design/icons';
import { Button, Popconfirm } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { canListen, listen } from './listening';

const MAY = 'hyndle.mayListen';
/** In the corner beside the field’s label: it takes no room of its own, so that nothing moves when it comes. */
const BESIDE_LABEL = { position: 'absolute', top: 0, right: 0 } as const;

interface Props {
  readonly onHeard: (words: string) => void;
  readonly onTrouble: (why: string) => void;
}

/** An act said instead of typed, where the browser can hear; asked for once, since some browsers send what they hear to their maker. */
export function SpeakAct({ onHeard, onTrouble }: Props) {
  // It is fetched after the page, so that the browser can be asked at once.
  const [can] = useState(canListen);
  const [may, setMay] = useState(() => localStorage.getItem(MAY) === 'yes');
  const [listening, setListening] = useState(false);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  if (!can) return null;
  const begin = () => {
    setListening(true);
    stop.current = listen(onHeard, onTrouble, () => setListening(false));
  };
  const button = (press?: () => void) => (
    <Button type="text" style={BESIDE_LABEL} icon={<AudioOutlined aria-hidden="true" />} aria-pressed={listening} {...(press ? { onClick: press } : {})}>
      {listening ? 'Listening …' : 'Say it'}
    </Button>
  );
  if (may) return button(listening ? () => stop.current() : begin);
  return (
    <Popconfirm
      title="Let this page listen?"
      description="Some browsers send what they hear over the internet to their maker. Hyndle itself sends it nowhere."
      okText="Listen"
      cancelText="Rather type"
      onConfirm={() => {
        localStorage.setItem(MAY, 'yes');
        setMay(true);
        begin();
      }}
    >
      {button()}
    </Popconfirm>
  );
}
