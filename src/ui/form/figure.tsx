/** A reading with its unit and what it is; the big one is the largest thing on its screen. */
export function Figure({
  text,
  unit,
  below,
  big = false,
  testId,
}: {
  text: string
  unit: string
  below: string
  big?: boolean
  testId?: string
}) {
  return (
    <p>
      <span
        data-testid={testId}
        className={
          `figure font-semibold ` +
          (big
            ? 'text-fig-max max-sm:text-fig-xl'
            : text.length > 11
              ? 'text-fig-s max-sm:text-title'
              : 'text-fig-m max-sm:text-call')
        }
      >
        {text}
      </span>
      <span className={big ? 'ml-2 text-fig-s' : 'ml-1.5 text-row'}>{unit}</span>
      <span className="block text-body font-medium">{below}</span>
    </p>
  )
}
