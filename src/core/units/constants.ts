/** Pascals in one micron of mercury (1 umHg), exact to seven figures. Source: model.md, conventional mercury. */
export const PA_PER_MICRON = 0.1333224
/** Pascals in one inch of mercury. */
export const PA_PER_INHG = 3386.389
/** Pascals in one pound-force per square inch. */
export const PA_PER_PSI = 6894.757
/** Standard atmosphere, Pa. */
export const STANDARD_ATMOSPHERE_PA = 101325
/** Grams in one avoirdupois ounce. */
export const GRAMS_PER_OUNCE = 28.349523
/** Ounces in one pound. */
export const OUNCES_PER_POUND = 16
/** Litres per second in one cubic foot per minute. */
export const L_S_PER_CFM = 0.4719474
/** Zero Celsius in kelvin. */
export const ZERO_C_K = 273.15
/** Gas constant, J/(mol K), CODATA 2018. */
export const GAS_CONSTANT = 8.314462618
/** Readable resolution of a compound needle: half an inch of mercury either way, Pa (assumed). */
export const NEEDLE_HALF_WIDTH_PA = 0.5 * PA_PER_INHG
