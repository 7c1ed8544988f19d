import { parentPort } from 'node:worker_threads'
import * as Comlink from 'comlink'
import nodeEndpoint from 'comlink/dist/umd/node-adapter'
import { findingsApi } from '@/server/findings'

Comlink.expose(findingsApi, nodeEndpoint(parentPort!))
