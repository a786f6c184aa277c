/**
 * Root of a continuous function by bisection with a secant step where it helps (Dekker's rule).
 * @param f - function of x
 * @param low - one end of the bracket, in the unit of x
 * @param high - the other end; f must change sign between the two
 * @param tolerance - width of the final bracket, in the unit of x
 * @throws RangeError when f has the same sign at both ends or is not a number there
 */
export function findRoot(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  let a = low
  let b = high
  let fa = f(a)
  let fb = f(b)
  if (!(fa * fb <= 0)) throw new RangeError(`no sign change between ${low} and ${high}`)
  for (let i = 0; i < 200 && Math.abs(b - a) > tolerance; i++) {
    const middle = (a + b) / 2
    const secant = b - (fb * (b - a)) / (fb - fa)
    // every other step bisects, so that a one-sided secant cannot crawl
    const x = i % 2 === 0 && secant > Math.min(a, b) && secant < Math.max(a, b) ? secant : middle
    const fx = f(x)
    if (fx === 0) return x
    if (fa * fx < 0) {
      b = x
      fb = fx
    } else {
      a = x
      fa = fx
    }
  }
  return (a + b) / 2
}
