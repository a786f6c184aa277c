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
/** Cubic metres per second in one cubic foot per minute, and metres in a millimetre. */
export const CUBIC_METRES_S_PER_CFM = L_S_PER_CFM / 1000
export const METRES_PER_MM = 1e-3
/** Millimetres in an inch; millilitres in a US fluid ounce, a 128th of 231 cubic inches (both exact). */
export const MM_PER_INCH = 25.4
export const ML_PER_FLUID_OUNCE = 29.5735295625
/** Zero Celsius in kelvin. */
export const ZERO_C_K = 273.15
/** Gas constant, J/(mol K), CODATA 2018. */
export const GAS_CONSTANT = 8.314462618
/** Readable resolution of a compound needle: half an inch of mercury either way, Pa (assumed). */
export const NEEDLE_HALF_WIDTH_PA = 0.5 * PA_PER_INHG
/** Molar mass of water, kg/mol. */
export const WATER_KG_MOL = 0.018015
/** Seconds in a minute, an hour and a day. */
export const MINUTE_S = 60
export const HOUR_S = 3600
export const DAY_S = 86_400
/** The same in ms, as clocks count. */
export const MINUTE_MS = MINUTE_S * 1000
export const HOUR_MS = HOUR_S * 1000
export const DAY_MS = DAY_S * 1000
/** Deviations on either side of the middle that hold 95 of 100 of a normal. */
export const SIGMAS_95 = 1.96
/** Days in a year as losses are told by (Julian). */
export const DAYS_A_YEAR = 365.25
/** Seconds in that year. */
export const SECONDS_A_YEAR = DAYS_A_YEAR * DAY_S
/** Floor of a pump with its gas ballast open, Pa absolute (assumed, model.md section 4). */
export const BALLAST_FLOOR_PA = 40
/** What the water a pump's oil has taken adds to its ultimate, Pa a gram (model.md section 4). */
export const OIL_PA_PER_G = 15
/** Molar mass of air, kg/mol, and its viscosity, Pa s (model.md section 4). */
export const AIR_KG_MOL = 0.02896
export const AIR_VISCOSITY_PA_S = 1.82e-5
