/** One line about what is being done, on stderr so that machine output stays alone on stdout. */
export function say(text: string): void {
  process.stderr.write(`yperos: ${text}\n`)
}

/** A stop whose reason and remedy the user must read; ends the command with exit 2 and no stack. */
export class Stop extends Error {}
