/** Standard gravity, m/s² (3rd CGPM, 1901). */
export const STANDARD_GRAVITY = 9.80665;

/** Air at 20 °C and one standard atmosphere, kg/m³ (ideal gas law). */
export const AIR_DENSITY = 1.204;

/**
 * Degrees in radians.
 *
 * @example degreesToRadians(180) // 3.142
 */
export const degreesToRadians = (degrees: number): number => (degrees * Math.PI) / 180;
/**
 * Radians in degrees.
 *
 * @example radiansToDegrees(Math.PI / 2) // 90
 */
export const radiansToDegrees = (radians: number): number => (radians * 180) / Math.PI;
/**
 * Revolutions a minute in radians a second.
 *
 * @example rpmToRadS(60) // 6.283
 */
export const rpmToRadS = (rpm: number): number => (rpm * Math.PI) / 30;
/**
 * Radians a second in revolutions a minute.
 *
 * @example radSToRpm(2 * Math.PI) // 60
 */
export const radSToRpm = (radS: number): number => (radS * 30) / Math.PI;

/** Degrees Celsius against kelvin (ISO 80000-5). */
const ICE_K = 273.15;
/**
 * Degrees Celsius in kelvin.
 *
 * @example celsiusToKelvin(20) // 293.1
 */
export const celsiusToKelvin = (celsius: number): number => celsius + ICE_K;
/**
 * Kelvin in degrees Celsius.
 *
 * @example kelvinToCelsius(273.15) // 0
 */
export const kelvinToCelsius = (kelvin: number): number => kelvin - ICE_K;

/** A minute, s. */
export const MINUTE_S = 60;
/** An hour, s. */
export const HOUR_S = 3600;

/** One gram times a square centimetre, in which rotors are given, in kg·m². */
export const GRAM_CM2 = 1e-7;
