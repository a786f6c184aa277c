/** Who looks at the day, as it needs it. */
export type DayViewer = { id: string; name: string; mayPlan: boolean; lead: boolean }
