import { certificatePdf } from '@/server/records/certificate-pdf'
import { answers } from '../workers/answers'

// lays certificates out off the server's event loop: a page takes a second
answers(certificatePdf)
