import { Type } from '@sinclair/typebox';
import { SOFTENS, type Boil, type Lid, type PieceShape, type Softens } from '../cook';
import { bodyStep, choice } from './ask';

/** What is asked at a pot: until when, how hot, and how wide. */
const UNTIL_NAMES = {
  minutes: 'some minutes',
  soft: 'it is soft',
  left: 'a share of it is left',
  weight: 'it weighs',
  solids: 'a Brix reading',
  temperature: 'the thermometer says',
  body: 'its body when cold',
} as const;
type Until = keyof typeof UNTIL_NAMES;
export const UNTIL = Object.keys(UNTIL_NAMES) as Until[];
const BOIL_NAMES: Readonly<Record<Boil, string>> = {
  bare: 'barely moving',
  gentle: 'gentle simmer',
  steady: 'steady simmer',
  rolling: 'rolling boil',
};
const LID_NAMES: Readonly<Record<Lid, string>> = { off: 'off', ajar: 'ajar', on: 'on' };
const SHAPE_NAMES: Readonly<Record<PieceShape, string>> = { slice: 'slices', stick: 'sticks, whole roots', dice: 'dice' };
const SOFT_NAMES = Object.fromEntries(Object.keys(SOFTENS).map((s) => [s, s])) as Record<Softens, string>;
const only = (...until: Until[]) => ({ until });

export const simmerSchema = Type.Object(
  {
    until: choice(UNTIL_NAMES, { title: 'Until', label: 'Until', main: true }),
    minutes: Type.Number({
      ...{ title: 'Minutes from the boil', label: 'From the boil', main: true, when: only('minutes') },
      ...{ minimum: 0, maximum: 1440, unit: 'min' },
    }),
    leftPct: Type.Number({
      ...{ title: 'What stays', label: 'What stays', main: true, when: only('left') },
      ...{ minimum: 5, maximum: 100, unit: '%' },
    }),
    leftG: Type.Number({
      ...{ title: 'What the pot holds at the end', label: 'Weight, without the pot', main: true, when: only('weight') },
      ...{ minimum: 1, maximum: 100_000, unit: 'g' },
    }),
    brix: Type.Number({
      ...{ title: 'Soluble solids', label: 'Solids', main: true, when: only('solids') },
      ...{ minimum: 1, maximum: 85, unit: 'Bx' },
    }),
    step: bodyStep({ title: 'Step of body, cold', label: 'When cold it is', main: true, when: only('body') }),
    stopC: Type.Optional(
      Type.Number({
        ...{ title: 'The thermometer', label: 'Thermometer', main: true, when: only('temperature') },
        ...{ minimum: 90, maximum: 120, unit: '°C' },
      }),
    ),
    soft: Type.Optional(
      Type.Object(
        {
          what: choice(SOFT_NAMES, { title: 'What is to be soft', label: 'What' }),
          shape: choice(SHAPE_NAMES, { title: 'Its shape', label: 'In' }),
          mm: Type.Number({ title: 'Its thickness', label: 'How thick', minimum: 1, maximum: 60, unit: 'mm' }),
        },
        {
          ...{ additionalProperties: false, title: 'What is to be soft', label: 'What is to be soft', main: true, when: only('soft') },
          default: { what: 'carrot', shape: 'slice', mm: 8 },
        },
      ),
    ),
    boil: choice(BOIL_NAMES, { title: 'The fire', label: 'Fire', main: true }),
    lid: choice(LID_NAMES, { title: 'The lid', label: 'Lid' }),
    potCm: Type.Number({ title: 'The pot, across', label: 'Pot, across', minimum: 10, maximum: 60, unit: 'cm' }),
    altitudeM: Type.Optional(
      Type.Number({
        ...{ title: 'The altitude', label: 'Altitude', when: only('soft', 'temperature') },
        ...{ minimum: -400, maximum: 5000, unit: 'm' },
      }),
    ),
  },
  { additionalProperties: false },
);
