// @vitest-environment happy-dom
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { DEFAULT_SETTINGS } from '@roskel/contract';
import { GoalSchema, ingredient, ReadingSchema, salt } from '@roskel/core';

vi.stubGlobal(
  'EventSource',
  class {
    quiet = true;
  },
);
const { default: AmountField } = await import('../src/ui/AmountField.vue');
const { default: CautionList } = await import('../src/ui/CautionList.vue');
const { default: GoalFields } = await import('../src/batch/GoalFields.vue');
const { default: ListState } = await import('../src/ui/ListState.vue');
const { default: NumberField } = await import('../src/ui/NumberField.vue');
const { useSettings } = await import('../src/stores/settings');

beforeEach(() => setActivePinia(createPinia()));

describe('a number field', () => {
  const field = (modelValue: number | null, extra: object = {}) =>
    mount(NumberField, { props: { label: 'Jar', unit: 'ml', schema: salt.schema.properties.jarMl!, modelValue, ...extra } });
  async function type(w: ReturnType<typeof field>, text: string) {
    await w.find('input').setValue(text);
  }

  it('passes a good number on, with a comma too', async () => {
    const w = field(1500);
    await type(w, '1600,5');
    expect(w.emitted('update:modelValue')).toEqual([[1600.5]]);
    expect(w.find('[role=alert]').exists()).toBe(false);
  });
  it.each([
    ['0', 'The jar size must be between 50 and 50,000 ml.'],
    ['-5', 'The jar size must be between 50 and 50,000 ml.'],
    ['1e9', 'The jar size must be a number in ml.'],
    ['big', 'The jar size must be a number in ml.'],
    ['', 'Jar is empty. Type a number in ml.'],
  ])('"%s" is answered with a sentence, kept in the field, and not passed on', async (text, says) => {
    const w = field(1500);
    await type(w, text);
    expect(w.find('[role=alert]').text()).toBe(says);
    expect((w.find('input').element as HTMLInputElement).value).toBe(text);
    expect(w.find('input').attributes('aria-invalid')).toBe('true');
    expect(w.emitted('update:modelValue')).toBeUndefined();
  });
  it('an optional field may be emptied', async () => {
    const w = mount(NumberField, { props: { label: 'pH', schema: ReadingSchema.properties.pH, modelValue: 4.2, optional: true } });
    await w.find('input').setValue('');
    expect(w.emitted('update:modelValue')).toEqual([[null]]);
  });
  it('shows what the line says about it, and follows a change from outside unless it holds a mistake', async () => {
    const w = field(300, { trouble: 'The pods need about 500 ml more room in each jar.' });
    expect(w.find('[role=alert]').text()).toMatch(/500 ml more room/);
    await w.setProps({ modelValue: 900, trouble: null });
    expect((w.find('input').element as HTMLInputElement).value).toBe('900');
    await type(w, 'oops');
    await w.setProps({ modelValue: 1000 });
    expect((w.find('input').element as HTMLInputElement).value).toBe('oops');
  });
});

describe('an amount field', () => {
  const garlic = ingredient('garlic');
  const field = (massG = 12, words?: string) => mount(AmountField, { props: { label: 'Garlic', massG, words, what: garlic } });

  it('takes kitchen words and echoes grams with what was assumed', async () => {
    const w = field();
    await w.find('input').trigger('focus');
    await w.find('input').setValue('5 cloves');
    expect(w.text()).toContain('20 g, a clove of 4 g');
    expect(w.emitted('change')).toEqual([[20, '5 cloves']]);
  });
  it('reads spoons of the chosen kitchen', async () => {
    useSettings().value = { ...DEFAULT_SETTINGS, kitchen: 'au' };
    const w = mount(AmountField, { props: { label: 'Honey', massG: 0, what: ingredient('honey') } });
    await w.find('input').setValue('1 tbsp');
    expect((w.emitted('change')![0] as [number, string])[0]).toBeCloseTo((20 * 339) / 236.5882365, 6);
  });
  it('asks instead of guessing, and keeps the words', async () => {
    const w = field(12, '3 cloves');
    await w.find('input').setValue('3 bananas');
    expect(w.find('[role=alert]').text()).toBe('How much is bananas? Say grams instead, or clove, head.');
    expect((w.find('input').element as HTMLInputElement).value).toBe('3 bananas');
    expect(w.emitted('change')).toBeUndefined();
  });
  it('more than a kitchen holds is a question', async () => {
    const w = field();
    await w.find('input').setValue('90 kg');
    expect(w.find('[role=alert]').text()).toMatch(/more than a kitchen holds/);
  });
});

describe('the goal', () => {
  it('a level by name sets both ends; an upside-down bracket is named', async () => {
    const goal = { lowShu: 1300, highShu: 3200, bottles: 10, bottleMl: 100 };
    const w = mount(GoalFields, { props: { modelValue: goal, eaten: 'drop' } });
    const hot = w.findAll('label').find((l) => l.text().startsWith('hot'))!;
    await hot.find('input').trigger('change');
    expect(w.emitted('update:modelValue')![0]).toEqual([{ ...goal, lowShu: 2000, highShu: 8000 }]);
    // As a dip the same word is a tenth of that, and what was wished stays what it is.
    await w.setProps({ eaten: 'dip' });
    await w
      .findAll('label')
      .find((l) => l.text().startsWith('hot'))!
      .find('input')
      .trigger('change');
    expect(w.emitted('update:modelValue')![1]).toEqual([{ ...goal, lowShu: 200, highShu: 800 }]);
    await w.setProps({ modelValue: { ...goal, lowShu: 5000 } });
    expect(w.text()).toContain('The high end must be above the low end.');
    expect(GoalSchema.properties.bottles.maximum).toBe(500);
  });
});

describe('a list', () => {
  const state = (props: object) =>
    mount(ListState, {
      props: { state: 'ready', error: '', count: 3, shown: 3, find: '', what: 'pods', ...props },
      slots: { default: 'THE LIST', empty: 'NOTHING YET' },
    });
  it('says what it is doing, what went wrong, that it is empty, or that nothing matches', async () => {
    expect(state({ state: 'loading' }).text()).toBe('Fetching your pods.');
    expect(state({ count: 0, shown: 0 }).text()).toBe('NOTHING YET');
    expect(state({ shown: 0, find: 'zzz' }).text()).toContain('"zzz"');
    expect(state({}).text()).toBe('THE LIST');
    const failed = state({ state: 'failed', error: 'No answer.' });
    expect(failed.text()).toContain('No answer.');
    await failed.find('button').trigger('click');
    expect(failed.emitted('retry')).toHaveLength(1);
  });
});

it('a caution is a word and an icon, never colour alone', async () => {
  const w = mount(CautionList, {
    props: {
      cautions: [
        { id: 'x', severity: 'danger', text: 'Do not taste.', why: 'It may be bad.', authority: 'common practice', guide: 'measured' },
      ],
    },
    global: { stubs: { RouterLink: { props: ['to'], template: '<a :href="to"><slot /></a>' } } },
  });
  await nextTick();
  expect(w.text()).toContain('Danger. Do not taste.');
  expect(w.text()).toContain('It may be bad. (common practice)');
  expect(w.find('a').attributes('href')).toBe('/guide/measured');
  expect(w.find('svg').exists()).toBe(true);
});
