const FOOT_M = 0.3048;

/**
 * Pressure of the standard atmosphere at an altitude (m, -500 to 6000), in Pa.
 * Source: ICAO/US Standard Atmosphere 1976, troposphere (chapter 4, section 6).
 */
export function pressurePa(altitudeM: number): number {
  return 101_325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;
}

/** Boiling point of water in °C at an altitude in m: Antoine's equation for water, 1 to 100 °C (chapter 4, section 6). */
export function boilingPointC(altitudeM: number): number {
  const mmHg = (pressurePa(altitudeM) * 760) / 101_325;
  return 1730.63 / (8.07131 - Math.log10(mmHg)) - 233.426;
}

/**
 * Minutes of boiling that sterilise clean jars and bottles: 10 below 1,000 ft, one more for each further 1,000 ft.
 * Source: USDA / NCHFP guidance (from memory); rounded up, never shorter than the guidance.
 */
export function sterilisingMinutes(altitudeM: number): number {
  const feet = altitudeM / FOOT_M;
  return feet < 1000 ? 10 : 10 + Math.ceil(feet / 1000 - 1e-9);
}
