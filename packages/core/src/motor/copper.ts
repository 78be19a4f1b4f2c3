/** Temperature coefficient of copper’s resistance at 20 °C, 1/K (IEC 60028). */
export const COPPER_PER_K = 0.00393;
/** The temperature that resistances are given at, °C. */
export const REFERENCE_C = 20;
