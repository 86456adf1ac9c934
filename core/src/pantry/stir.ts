import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import type { PodLot } from './lot';

const EVEN_FORMS: readonly PodLot['form'][] = ['powder', 'paste'];

/** Stirred into a blended sauce it leaves no pieces: it is one body with it at once. */
export const stirsEven = (row: Pick<Ingredient, 'key' | 'like'>): boolean => kindOf(row).even === true;
export const lotStirsEven = (lot: Pick<PodLot, 'form'>): boolean => EVEN_FORMS.includes(lot.form);
