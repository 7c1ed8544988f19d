import { workerData, type MessagePort } from 'node:worker_threads'
import { serveHelper } from '@/server/helper/serveHelper'
import { TASKS } from '@/server/helper/tasks'

serveHelper(workerData as MessagePort, TASKS)
