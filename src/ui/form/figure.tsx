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
        className={`figure font-semibold ${big ? 'text-[124px] max-sm:text-[92px]' : text.length > 11 ? 'text-[40px] max-sm:text-[30px]' : 'text-[52px] max-sm:text-[34px]'}`}
      >
        {text}
      </span>
      <span className={big ? 'ml-2 text-[40px]' : 'ml-1.5 text-[20px]'}>{unit}</span>
      <span className="block text-[17px] font-medium">{below}</span>
    </p>
  )
}
