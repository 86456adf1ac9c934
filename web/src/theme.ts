import type { GlobalThemeOverrides } from 'naive-ui';
import { scaleLog } from 'd3-scale';

/** Enamel kitchenware: the colours of the house (docs/decisions/0006-look.md). */
export const COLOURS = {
  ground: '#F1EDE1',
  plate: '#FFFDF8',
  rim: '#1D3A5F',
  ink: '#22201C',
  soft: '#6D675C',
  line: '#D8D0BD',
  heat: '#C2371F',
  acid: '#1F6F78',
  salt: '#4A5FA5',
  sweet: '#9A6508',
  pulp: '#6B6A3A',
  warn: '#B3541E',
  warnPlate: '#FBEBD8',
} as const;

const ramp = scaleLog<string>()
  .domain([100, 1000, 6000, 40_000, 400_000])
  .range(['#5E9A3A', '#C9B458', '#E0912F', '#C2371F', '#6B1710'])
  .clamp(true);

/** Heat ramp from leaf green over straw and orange to oxblood by log SHU. */
export function heatColour(shu: number): string {
  return shu > 0 ? ramp(shu) : '#B9B49F';
}

export const naive: GlobalThemeOverrides = {
  common: {
    fontFamily: "'Hanken Grotesk Variable', sans-serif",
    fontSize: '15px',
    fontSizeMedium: '15px',
    primaryColor: COLOURS.rim,
    primaryColorHover: '#2B5080',
    primaryColorPressed: '#142A46',
    primaryColorSuppl: COLOURS.rim,
    warningColor: COLOURS.warn,
    errorColor: '#A3261A',
    textColorBase: COLOURS.ink,
    textColor1: COLOURS.ink,
    textColor2: COLOURS.ink,
    textColor3: COLOURS.soft,
    placeholderColor: '#8A8375',
    bodyColor: COLOURS.ground,
    cardColor: COLOURS.plate,
    modalColor: COLOURS.plate,
    popoverColor: COLOURS.plate,
    borderColor: COLOURS.line,
    borderRadius: '10px',
    boxShadow1: 'none',
    boxShadow2: 'none',
    boxShadow3: 'none',
    heightMedium: '44px',
    heightLarge: '48px',
  },
  Button: { fontWeight: '600', borderRadiusMedium: '10px', paddingMedium: '0 16px', border: `2px solid ${COLOURS.rim}` },
  Input: { border: `1.5px solid ${COLOURS.line}`, color: COLOURS.plate, boxShadowFocus: 'none', borderFocus: `2px solid ${COLOURS.rim}` },
  Dialog: { borderRadius: '16px', border: `2px solid ${COLOURS.rim}`, titleFontSize: '20px' },
  Card: { borderRadius: '16px', borderColor: COLOURS.rim, titleFontSizeMedium: '20px', titleFontWeight: '700' },
  Message: { borderRadius: '12px', boxShadow: 'none', border: `2px solid ${COLOURS.rim}` },
  Popover: { borderRadius: '12px', padding: '12px 14px', boxShadow: 'none' },
};
