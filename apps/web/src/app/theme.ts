import { type ThemeConfig } from 'antd';

/*
 * Greys without a tint, so that soap is the only colour on the screen. The signal colours are for small marks
 * beside an icon and words, never for surfaces.
 */
export const greys = {
  ink: '#1f1f1f',
  text: '#2b2b2b',
  soft: '#5c5c5c',
  line: '#c9c9c9',
  panel: '#f3f3f3',
  bench: '#e2e2e2',
  surround: '#d6d6d6',
} as const;

export const signals = { stop: '#9c2f23', warn: '#7a5200', tip: '#5c5c5c' } as const;

export const theme: ThemeConfig = {
  token: {
    fontFamily: "'Public Sans Variable', sans-serif",
    fontSize: 14,
    colorPrimary: greys.text,
    colorInfo: greys.text,
    colorLink: greys.text,
    colorSuccess: greys.soft,
    colorWarning: signals.warn,
    colorError: signals.stop,
    colorText: greys.text,
    colorTextSecondary: greys.soft,
    colorTextDescription: greys.soft,
    colorTextPlaceholder: '#707070',
    colorBorder: '#a8a8a8',
    colorBorderSecondary: greys.line,
    colorBgLayout: greys.bench,
    colorBgContainer: '#fbfbfb',
    borderRadius: 2,
    controlHeight: 34,
    motion: !window.matchMedia('(prefers-reduced-motion: reduce)').matches,
    boxShadow: 'none',
  },
  components: {
    Segmented: {
      itemColor: greys.text,
      itemSelectedBg: greys.text,
      itemSelectedColor: '#ffffff',
      trackBg: '#d3d3d3',
    },
    Button: { primaryShadow: 'none', defaultShadow: 'none' },
  },
};
