import { type ThemeConfig, theme } from 'antd';

/** True greys and near-black ink: all colour belongs to the fibre. Values match the custom properties of styles/tokens.css. */
const shared = {
  fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  fontFamilyCode: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace",
  fontSize: 15,
  borderRadius: 8,
  controlHeight: 40,
  motionDurationMid: '0.12s',
};

export const dayTheme: ThemeConfig = {
  token: {
    ...shared,
    colorPrimary: '#1c1c1c',
    colorInfo: '#1c1c1c',
    colorLink: '#1c1c1c',
    colorLinkHover: '#000000',
    colorText: '#1c1c1c',
    colorTextSecondary: '#4d4d4d',
    colorTextPlaceholder: '#6b6b6b',
    colorBorder: '#8c8c8c',
    colorError: '#a51d14',
    colorWarning: '#8a5200',
    colorSuccess: '#1c1c1c',
    colorBgLayout: '#e4e4e4',
  },
};

export const nightTheme: ThemeConfig = {
  algorithm: theme.darkAlgorithm,
  token: {
    ...shared,
    colorPrimary: '#ededed',
    colorInfo: '#ededed',
    colorLink: '#ededed',
    colorLinkHover: '#ffffff',
    colorText: '#ededed',
    colorTextSecondary: '#bdbdbd',
    colorTextPlaceholder: '#9a9a9a',
    colorBorder: '#7a7a7a',
    colorBgBase: '#1a1a1a',
    colorBgContainer: '#262626',
    colorBgElevated: '#2e2e2e',
    colorError: '#ff8a80',
    colorWarning: '#ffb547',
    colorSuccess: '#ededed',
    colorBgLayout: '#161616',
    colorTextLightSolid: '#161616',
  },
};
