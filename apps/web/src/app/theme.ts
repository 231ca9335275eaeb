import { type ThemeConfig } from 'antd';
import { tokens } from '../shared/tokens.ts';

export const theme: ThemeConfig = {
  token: {
    fontFamily: "'Public Sans Variable', sans-serif",
    fontSize: 14,
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
    colorBgElevated: tokens.field,
    borderRadius: 2,
    controlHeight: 34,
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
      labelFontSize: 12,
      labelColor: tokens.soft,
    },
    Button: { primaryShadow: 'none', defaultShadow: 'none' },
  },
};
