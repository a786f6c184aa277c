/** What stands behind a car's name, such as `Halvorn Ridge 14 · CL 14`; empty where neither was told. */
export const carLine = ({ model, plate }: { model: string; plate?: string | undefined }): string =>
  [model, plate].filter(Boolean).join(' · ')
