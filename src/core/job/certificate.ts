import { W } from '../language/job/certificate'
/** A certificate as it is said in a sentence; where no law of the place asks for one it may be none. */
export const certificateWords = (certificate: string): string =>
  certificate === '' ? W.noCertificateGiven : W.certificate(certificate)
