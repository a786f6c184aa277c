import { answerDay } from '@/core/day/day-question'
import { answers } from './answers'

// plans days off the server's event loop and off the one that watches: a plan takes a second or two
answers(answerDay)
