import { type ThemeConfig } from 'antd';
import { tokens } from '../shared/tokens.ts';

/** A finger needs larger letters and fields than a mouse; iOS zooms into fields whose letters are smaller than 16 px. */
const coarse = window.matchMedia('(pointer: coarse)').matches;

export const theme: ThemeConfig = {
  token: {
    fontFamily: "'Public Sans Variable', sans-serif",
    fontSize: coarse ? 18 : 15,
    fontSizeSM: coarse ? 16 : 13,
    fontSizeLG: coarse ? 18 : 15,
    fontSizeHeading5: coarse ? 18 : 15,
    colorPrimary: tokens.text,
    colorInfo: tokens.text,
    colorLink: tokens.text,
    colorSuccess: tokens.soft,
    colorWarning: tokens.warn,
    colorError: tokens.stop,
    colorText: tokens.text,
    colorTextSecondary: tokens.soft,
    colorTextDescription: tokens.soft,
    colorTextPlaceholder: tokens.hint,
    colorBorder: tokens.edge,
    colorBorderSecondary: tokens.line,
    colorBgLayout: tokens.bench,
    colorBgContainer: tokens.field,
    // Colours are judged on one ground, in drawers and dialogs too.
    colorBgElevated: tokens.bench,
    borderRadius: 2,
    controlHeight: coarse ? 48 : 34,
    controlHeightSM: coarse ? 48 : 28,
    motion: !window.matchMedia('(prefers-reduced-motion: reduce)').matches,
    boxShadow: 'none',
  },
  components: {
    Segmented: {
      itemColor: tokens.text,
      itemSelectedBg: tokens.text,
      itemSelectedColor: tokens.light,
      trackBg: tokens.surround,
    },
    Form: {
      itemMarginBottom: 0,
      verticalLabelPadding: '0 0 3px',
      labelFontSize: coarse ? 16 : 13,
      labelColor: tokens.soft,
    },
    ...(coarse && {
      Switch: {
        trackHeight: 48,
        trackMinWidth: 88,
        handleSize: 40,
        trackHeightSM: 48,
        trackMinWidthSM: 88,
        handleSizeSM: 40,
        trackPadding: 4,
      },
      Checkbox: { controlInteractiveSize: 28 },
      Collapse: { headerPadding: '12px 12px' },
    }),
    Button: { primaryShadow: 'none', defaultShadow: 'none' },
  },
};
