import { parentPort } from 'node:worker_threads'
import * as Comlink from 'comlink'
import nodeEndpoint from 'comlink/dist/umd/node-adapter'
import { findingsApiWith } from '@/server/findings'
import { helperIn } from '@/server/helper/threadHelper'

Comlink.expose(findingsApiWith(helperIn(__dirname)), nodeEndpoint(parentPort!))
