/** Rows that tests of the trim have in the larder. */
export const TRIM_KEYS = [
  ...['vinegar_cider', 'vinegar_distilled_5', 'lime_juice', 'salt_fine', 'soy_sauce', 'sugar_white', 'honey', 'roasted_pepper_jar'],
  ...['tomato_passata', 'tomato_paste', 'mango_ripe', 'xanthan', 'chili_powder_pure', 'smoked_paprika', 'water', 'mustard_yellow'],
];
