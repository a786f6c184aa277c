import { spoken } from '../spoken'

export const W = spoken({
  thisServerSpeaksNoTls: 'This server speaks no TLS of its own: start it with ./yperos up --lan.',
})
