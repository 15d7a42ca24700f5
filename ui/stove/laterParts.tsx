'use client';
import { CameraOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { later } from '../shell/later';
import { LaterMenu } from './CallStrip';
import { CALLS_PARTS } from './CallsChoice';
import { GAUGE_HEIGHT, GAUGE_WIDTH } from './Gauge';
import { LOG_PARTS } from './RunLog';
import { TYPE_ACT_PX } from './typeActPx';

/** What the stove fetches after its first bytes. */

export const AskDialog = later(() => import('./AskDialog').then((module) => module.AskDialog));
export const MoreActs = later(() => import('./MoreActs').then((module) => module.MoreActs));
export const JoinLot = later(() => import('./JoinLot').then((module) => module.JoinLot));
export const OtherwiseStrip = later(() => import('./OtherwiseStrip').then((module) => module.OtherwiseStrip));
export const VesselTiles = later(() => import('./VesselTiles').then((module) => module.VesselTiles), <div style={{ minHeight: 256 }} />);
export const Elsewhere = later(() => import('./Elsewhere').then((module) => module.Elsewhere));
export const Overshot = later(() => import('./Overshot').then((module) => module.Overshot));
export const DipScreen = later(() => import('./DipScreen').then((module) => module.DipScreen));
/** The words about the curve come with the page; the drawing of it comes into its place. */
export const TemperatureChart = later(() => import('../record/TemperatureChart').then((module) => module.TemperatureChart));
export const PhNow = later(() => import('./PhNow').then((module) => module.PhNow), <div style={{ minHeight: 300 }} />);
/** Its place beside the column of temperature is kept. */
export const PhGauge = later(() => import('./PhGauge').then((module) => module.PhGauge), <div style={{ width: GAUGE_WIDTH, height: GAUGE_HEIGHT }} />);
export const BathNow = later(() => import('./BathNow').then((module) => module.BathNow));
// A place is kept for it, so that nothing moves when it comes.
export const TypeAct = later(() => import('./TypeAct').then((module) => module.TypeAct), <div style={{ minHeight: TYPE_ACT_PX }} />);
export const LastAct = later(() => import('./LastAct').then((module) => module.LastAct));
export const EarlyEnd = later(() => import('./EarlyEnd').then((module) => module.EarlyEnd));
/** What stands there at the end, and where it may go: before it is poured, not after. */
export const BathsLeft = later(() => import('../record/BathsLeft').then((module) => module.BathsLeft));
// Its place is kept: what stands beside it does not move when it comes.
export const PictureButton = later(
  () => import('../look/PictureButton').then((module) => module.PictureButton),
  <Button className="tall" disabled icon={<CameraOutlined aria-hidden="true" />}>
    Picture
  </Button>,
);
/** What could not be sent of the pictures and words. */
export const LookBoxNotice = later(() => import('../look/LookBoxNotice').then((module) => module.LookBoxNotice));
export const LookForm = later(() => import('../look/LookForm').then((module) => module.LookForm));
export const KeyHelp = later(() => import('./KeyHelp').then((module) => module.KeyHelp));
/** What opens on a tap is fetched before it is wanted: an act must be possible when the connection has gone since. */
export const ON_A_TAP = [
  AskDialog,
  MoreActs,
  BathNow,
  TemperatureChart,
  PhNow,
  PhGauge,
  DipScreen,
  OtherwiseStrip,
  LaterMenu,
  Elsewhere,
  VesselTiles,
  Overshot,
  TypeAct,
  LastAct,
  KeyHelp,
  EarlyEnd,
  PictureButton,
  LookForm,
  LookBoxNotice,
  ...CALLS_PARTS,
  ...LOG_PARTS,
];
