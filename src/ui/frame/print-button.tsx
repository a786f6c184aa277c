'use client'

/** Puts the page on paper. */
export const PrintButton = () => (
  <button type="button" className="plain-button" onClick={() => window.print()}>
    Print
  </button>
)
