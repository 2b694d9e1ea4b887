/** Standard acceleration of gravity, m/s² (CGPM 1901, exact). */
export const GRAVITY = 9.80665;
