import { type ThemeConfig, theme } from 'antd';
import { DAY, NIGHT, type RoomColours } from './room';

/**
 * The neutral room as tokens: true greys and near-black ink, since all colour belongs to the fibre; a crisp corner like a
 * hem; four sizes of type (13, 15, 20, 28).
 */
const SHARED: ThemeConfig['token'] = {
  fontFamily: 'var(--font)',
  fontFamilyCode: 'var(--mono)',
  fontSize: 15,
  fontSizeSM: 13,
  fontSizeLG: 15,
  fontSizeXL: 20,
  fontSizeHeading1: 28,
  fontSizeHeading2: 20,
  fontSizeHeading3: 20,
  fontSizeHeading4: 20,
  fontSizeHeading5: 15,
  fontWeightStrong: 700,
  borderRadius: 3,
  borderRadiusLG: 4,
  borderRadiusSM: 2,
  controlHeight: 40,
  controlHeightLG: 48,
  controlHeightSM: 32,
  lineWidth: 1,
  lineWidthFocus: 3,
  wireframe: false,
  motionDurationFast: '0.08s',
  motionDurationMid: '0.12s',
  motionDurationSlow: '0.16s',
  boxShadow: '0 2px 10px rgba(0,0,0,0.18)',
  boxShadowSecondary: '0 2px 14px rgba(0,0,0,0.22)',
};

function roomTheme(room: RoomColours, night: boolean): ThemeConfig {
  const { ink, ink2, card, panel, line, lineStrong, red, onInk } = room;
  return {
    ...(night ? { algorithm: theme.darkAlgorithm } : {}),
    hashed: false,
    token: {
      ...SHARED,
      colorPrimary: ink,
      colorPrimaryHover: night ? '#ffffff' : '#3a3a3a',
      colorPrimaryActive: night ? '#d0d0d0' : '#000000',
      colorPrimaryBg: panel,
      colorPrimaryBgHover: panel,
      colorPrimaryBorder: ink,
      colorInfo: ink,
      colorInfoBg: card,
      colorInfoBorder: lineStrong,
      colorSuccess: ink,
      colorWarning: ink,
      colorWarningBg: card,
      colorWarningBorder: lineStrong,
      colorError: red,
      colorErrorBg: room.redGround,
      colorErrorBorder: red,
      colorLink: ink,
      colorLinkHover: ink,
      colorLinkActive: ink,
      colorText: ink,
      colorTextHeading: ink,
      colorTextSecondary: ink2,
      colorTextTertiary: ink2,
      colorTextDescription: ink2,
      colorTextPlaceholder: night ? '#a8a8a8' : '#636363',
      colorTextDisabled: night ? '#8f8f8f' : '#6f6f6f',
      colorTextLightSolid: onInk,
      colorIcon: ink2,
      colorBorder: lineStrong,
      colorBorderSecondary: line,
      colorSplit: line,
      colorBgBase: card,
      colorBgContainer: card,
      colorBgElevated: night ? '#303030' : card,
      colorBgLayout: panel,
      colorBgContainerDisabled: panel,
      colorBgSpotlight: night ? '#ededed' : '#1c1c1c',
      colorFillAlter: panel,
      controlItemBgActive: night ? '#3d3d3d' : '#e4e4e4',
      controlItemBgHover: night ? '#363636' : '#eeeeee',
      controlOutline: 'transparent',
    },
    components: {
      Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none', dangerShadow: 'none', contentFontSizeSM: 13, contentFontSizeLG: 15 },
      Segmented: { trackBg: panel, itemSelectedBg: ink, itemSelectedColor: onInk, itemColor: ink, itemHoverColor: ink, trackPadding: 3 },
      Tabs: { inkBarColor: ink, itemSelectedColor: ink, itemHoverColor: ink, itemColor: ink2, titleFontSize: 15, horizontalItemGutter: 22 },
      Table: {
        headerBg: 'transparent',
        headerColor: ink2,
        headerSplitColor: 'transparent',
        borderColor: line,
        rowHoverBg: panel,
        rowSelectedBg: panel,
        rowSelectedHoverBg: panel,
        cellPaddingBlock: 9,
        cellPaddingInline: 12,
        cellFontSizeSM: 13,
      },
      Form: { itemMarginBottom: 14, verticalLabelPadding: '0 0 3px', labelFontSize: 13, labelColor: ink2 },
      Collapse: { headerBg: 'transparent', contentBg: 'transparent', headerPadding: '8px 0', contentPadding: '0 0 8px' },
      // Under an open form: what was just logged never lies over the button that logs the next act.
      Notification: { zIndexPopup: 900 },
      Modal: { titleFontSize: 20, contentBg: night ? '#303030' : card },
      Drawer: { footerPaddingBlock: 12 },
      Descriptions: { labelColor: ink2, itemPaddingBottom: 6 },
      Alert: { defaultPadding: '9px 14px', withDescriptionPadding: '12px 16px' },
      Tag: { defaultBg: 'transparent', defaultColor: ink },
      Tooltip: { colorTextLightSolid: onInk },
      Progress: { defaultColor: ink, remainingColor: line, circleTextFontSize: '15px' },
      Slider: { trackBg: ink, trackHoverBg: ink, handleColor: ink, handleActiveColor: ink, handleActiveOutlineColor: 'transparent' },
      Checkbox: { controlInteractiveSize: 20 },
      Radio: { radioSize: 20 },
      Select: { optionSelectedFontWeight: 700 },
    },
  };
}

export const dayTheme = roomTheme(DAY, false);
export const nightTheme = roomTheme(NIGHT, true);

/** At the stove everything is for wet hands and two steps away: its own sizes, around what the room gives. */
export const stoveTheme: ThemeConfig = {
  token: {
    fontSize: 16,
    fontSizeSM: 14,
    fontSizeLG: 16,
    fontSizeXL: 24,
    controlHeight: 48,
    controlHeightLG: 60,
    controlHeightSM: 40,
  },
  components: { Button: { contentFontSize: 16, contentFontSizeLG: 16, contentFontSizeSM: 14, paddingInline: 12, paddingInlineLG: 22 } },
};
