'use client';
import { Progress } from 'antd';

export const Bar = ({ text, donePct }: { text: string; donePct: number }) => (
  <Progress percent={Math.round(donePct)} showInfo={false} size={{ height: 9 }} aria-label={text} strokeLinecap="butt" />
);
