import { styleOf } from '@roskel/core';
import { capital } from '../format';

/** A sauce of a season by its kind and heat: "Mash ferment, hot". */
export const nameOf = ({ style, heat }: { style: string; heat: string | null }): string =>
  `${capital(styleOf(style).name)}${heat ? `, ${heat}` : ''}`;
