import { kindKey, type Ingredient } from '../matter/ingredient';
import type { PodLot } from './lot';

/** What dissolves, pours or is smooth already: stirred into a blended sauce it is one body with it at once (common practice, no source). */
const EVEN =
  /^(vinegar_|(lime|lemon|calamansi|orange)_juice$|citric_acid|lactic_acid|tamarind_paste|tomato_(paste|passata|ketchup)|roasted_pepper_jar|salt_|msg|soy_sauce|fish_sauce|worcestershire|mirin|sugar_|honey|maple_syrup|agave|molasses|sweetener_|mustard_(yellow|dijon)|chili_powder_pure|smoked_paprika|xanthan|water$)/;
const EVEN_FORMS: readonly PodLot['form'][] = ['powder', 'paste'];

/** Stirred in it leaves no pieces. */
export const stirsEven = (row: Pick<Ingredient, 'key' | 'like'>): boolean => EVEN.test(kindKey(row));
export const lotStirsEven = (lot: Pick<PodLot, 'form'>): boolean => EVEN_FORMS.includes(lot.form);
