// Reads a database that somebody else made, in a process of its own. Arguments: what it is, its files.
import { copyTiles } from './copyTiles'
import { lookAtBackup } from './lookAtBackup'

const [what, from = '', to = ''] = process.argv.slice(2)
const answer = what === 'tiles' ? copyTiles(from, to) : lookAtBackup(from)
process.stdout.write(JSON.stringify(answer))
