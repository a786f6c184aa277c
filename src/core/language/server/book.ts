import { type P, spoken } from '../spoken'

export const W = spoken({
  whoeverAskedForItWent: 'whoever asked for it went away',
  thisImportIsAnotherShops: 'This import is another shop’s.',
  thisImportWasWithdrawnBring: 'This import was withdrawn: bring the file in anew.',
  gByAFile: (lowG: P) => `${lowG} g, by a file`,
  thisImport: 'this import',
  isInTheBookBy: (car: P, day: P, file: P) => `${car}, ${day}, is in the book already, by the file ${file}`,
})
