/** Numbers in [0, 1) that depend only on the seed (mulberry32): the same seed, the same draws. */
export function seededRandom(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let x = Math.imul(a ^ (a >>> 15), a | 1)
    x ^= x + Math.imul(x ^ (x >>> 7), x | 61)
    return ((x ^ (x >>> 14)) >>> 0) / 4294967296
  }
}

/** Two independent standard normal numbers from two uniform ones (Box and Muller). */
export function normalPair(random: () => number): [number, number] {
  const radius = Math.sqrt(-2 * Math.log(1 - random()))
  const angle = 2 * Math.PI * random()
  return [radius * Math.cos(angle), radius * Math.sin(angle)]
}
