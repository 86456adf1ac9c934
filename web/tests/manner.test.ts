// @vitest-environment happy-dom
import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, nextTick, reactive, ref } from 'vue';
import { DEFAULT_SETTINGS } from '@roskel/contract';
import { StationLogSchema } from '@roskel/core';
import { degrees, grams, inManner, money, one, plural } from '../src/format';
import { day, fullDay, readClock, readDay } from '../src/ui/days';
import { figureOf, plainNumber } from '../src/ui/figures';
import { setManner } from '../src/ui/manner';
import NumberField from '../src/ui/NumberField.vue';
import { commitTyping, typing } from '../src/ui/typing';
import { useDraft } from '../src/ui/useDraft';

beforeEach(() => {
  localStorage.clear();
  setManner({ ...DEFAULT_SETTINGS, dates: 'day-month-year' });
  vi.useFakeTimers({ toFake: ['Date'], now: new Date(2026, 10, 25, 12) });
});
afterEach(() => vi.useRealTimers());
const year = '2026';

describe('figures as the maker writes them', () => {
  it('weights, temperatures and money follow the settings; what is stored does not', () => {
    expect([grams(1234), grams(4.25), degrees(21), money(3.5)]).toEqual(['1,234 g', '4.3 g', '21 °C', '3.50']);
    setManner({ ...DEFAULT_SETTINGS, weight: 'lb', temperature: 'F', currency: 'EUR' });
    // 1 lb = 453.59237 g exactly; 21 °C = 69.8 °F.
    expect([grams(567), grams(453.6), grams(28.35), grams(-907.2), degrees(21)]).toEqual(['1 lb 4 oz', '1 lb', '1.0 oz', '-2 lb', '70 °F']);
    expect(money(3.5)).toMatch(/€/);
    expect(figureOf('g').read('2')).toBeCloseTo(2 * 28.349523125, 9);
    expect(figureOf('g').read('500 g')).toBe(500);
    expect(figureOf('°C').show(18)).toBeCloseTo(64.4, 9);
    expect(figureOf('°C').read('64.4')).toBeCloseTo(18, 9);
    expect(figureOf('°C').read('18 C')).toBe(18);
  });
  it.each([
    ['g', '1 kg', 1000],
    ['g', '1 lb', 453.59237],
    ['g', '1,5 kg', 1500],
    ['g', '1 1/2', 1.5],
    ['g', '1,500', 1500],
    ['SHU', '1,250,000', 1_250_000],
    ['g', '0,125 kg', 125],
    ['°C', '80 F', (80 - 32) / 1.8],
    ['ml', '1 l', 1000],
    ['ml', '2 cups', 500],
    ['days', '2 weeks', 14],
    ['%', '2½', 2.5],
    ['SHU', '1e5', Number.NaN],
    ['g', '3 horses', Number.NaN],
    ['g', '', Number.NaN],
    ['g', '-3', -3],
  ])('a field in %s reads "%s"', (unit, text, value) => {
    const got = figureOf(unit).read(text);
    if (Number.isNaN(value)) expect(got).toBeNaN();
    else expect(got).toBeCloseTo(value, 9);
  });
  it('sentences of core speak in the same units, and what kills is never rounded down', () => {
    const said =
      'Hold at 82 °C, dry at 50 to 60 °C, above 27 °C. Only 340 g went in; 1.5 kg more. 0.50 g per ml. Between -5 and 45 °C, at least -10 °C.';
    expect(inManner(said)).toBe(said);
    setManner({ ...DEFAULT_SETTINGS, weight: 'lb', temperature: 'F' });
    expect(inManner(said)).toBe(
      'Hold at 180 °F, dry at 122 to 140 °F, above 81 °F. Only 12 oz went in; 3 lb 5 oz more. 0.50 g per ml. Between 23 and 113 °F, at least 14 °F.',
    );
  });
  it('no word is taken for a number', () => {
    for (const t of ['lots', '1e', '--3', '1..2', 'Infinity', '0x10', '1/0', '½½', '.', '1 2']) expect(plainNumber(t), t).toBeNaN();
  });
  it('plurals and articles', () => {
    expect([plural(1, 'lot'), plural(2, 'lot'), plural(0, 'bottle'), one('onion'), one('pod')]).toEqual([
      '1 lot',
      '2 lots',
      '0 bottles',
      'an onion',
      'a pod',
    ]);
  });
});

describe('days as the maker writes them', () => {
  it.each([
    ['25 Nov', `${year}-11-25`],
    ['25 november 2025', '2025-11-25'],
    ['Nov 25, 2025', '2025-11-25'],
    ['25/11/2025', '2025-11-25'],
    ['25.11.', `${year}-11-25`],
    ['2025-11-25', '2025-11-25'],
    ['3rd Oct', `${year}-10-03`],
    ['today', '2026-11-25'],
    ['30 Feb', null],
    ['2026-02-30', null],
    ['31/4', null],
    ['soon', null],
    ['', null],
  ])('"%s"', (text, iso) => expect(readDay(text)).toBe(iso));
  it('without a year it is the nearest one', () => {
    vi.setSystemTime(new Date(2027, 0, 5, 12));
    expect(['28 Dec', '2 Jan', '3rd March', '31/12'].map(readDay)).toEqual(['2026-12-28', '2027-01-02', '2027-03-03', '2026-12-31']);
  });
  it('the order of figures is that of the setting', () => {
    expect(readDay('3/4/2026')).toBe('2026-04-03');
    setManner({ ...DEFAULT_SETTINGS, dates: 'month-day-year' });
    expect(readDay('3/4/2026')).toBe('2026-03-04');
    expect([day('2020-03-04'), fullDay('2020-03-04')]).toEqual(['Mar 4, 2020', 'Mar 4, 2020']);
    setManner({ ...DEFAULT_SETTINGS, dates: 'year-month-day' });
    expect(fullDay('2020-03-04')).toBe('2020-03-04');
  });
  it('whatever is shown can be typed back', () => {
    for (const dates of ['day-month-year', 'month-day-year', 'year-month-day'] as const) {
      setManner({ ...DEFAULT_SETTINGS, dates });
      for (let d = 0; d < 400; d += 7) {
        const iso = new Date(Date.UTC(2025, 0, 1 + d)).toISOString().slice(0, 10);
        expect(readDay(fullDay(iso))).toBe(iso);
      }
    }
  });
  it('times', () => {
    expect(['18:05', '6pm', '1805', '12am', '25:00', 'noon'].map(readClock)).toEqual(['18:05', '18:00', '18:05', '00:00', null, null]);
  });
});

describe('what is being typed', () => {
  it('counts as not saved until the field is left, and is taken over when the window goes', async () => {
    const w = mount(NumberField, {
      props: { label: 'Weighed', unit: 'g', modelValue: 100, schema: StationLogSchema.properties.massG },
    });
    const input = w.find('input');
    await input.setValue('250');
    w.findComponent({ name: 'Input' }).vm.$emit('input', '250');
    expect(typing.value).toBe(true);
    commitTyping();
    expect(w.emitted('update:modelValue')!.at(-1)).toEqual([250]);
    expect(typing.value).toBe(false);
    w.unmount();
  });
  it('a half-filled form is there again, until it is kept or begun anew', async () => {
    const open = ref(true);
    const use = () => {
      const form = reactive({ name: '', g: 0 });
      let draft!: ReturnType<typeof useDraft>;
      const w = mount(
        defineComponent({
          setup: () => (
            (draft = useDraft(
              () => 'f',
              form,
              () => ({ name: '', g: 0 }),
              open,
            )),
            () => h('i')
          ),
        }),
      );
      return { form, draft, w };
    };
    const first = use();
    first.form.name = 'half';
    await nextTick();
    first.w.unmount();
    const second = use();
    expect([second.form.name, second.draft.takenUp.value]).toEqual(['half', true]);
    second.draft.anew();
    expect(second.form.name).toBe('');
    second.form.g = 5;
    // A sheet that stays mounted while it is shut takes up its draft as well.
    open.value = false;
    await nextTick();
    open.value = true;
    await nextTick();
    expect([second.form.g, second.draft.takenUp.value]).toEqual([5, true]);
    await second.draft.done();
    second.w.unmount();
    expect(use().draft.takenUp.value).toBe(false);
  });
});
