/** One of a list, in the browser's own picker: works with a glove. */
export function Pick({
  label,
  value,
  options,
  onPick,
  className = '',
}: {
  label: string
  value: string
  options: Record<string, string>
  onPick: (value: string) => void
  className?: string
}) {
  return (
    <label className={`flex flex-col text-[16px] ${className}`}>
      {label}
      <select className="field mt-0.5 !min-h-11 !text-[16px]" value={value} onChange={(e) => onPick(e.target.value)}>
        {Object.entries(options).map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </label>
  )
}
