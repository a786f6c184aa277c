import { judgementOfColumns } from '@/core/schools/judgement'
import { answers } from './answers'

// judges off the server's event loop
answers(judgementOfColumns)
