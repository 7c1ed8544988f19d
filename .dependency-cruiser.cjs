/**
 * Rooms on floors: nothing imports a room that stands after its own.
 * @param {string} folder
 * @param {string[]} rooms from the ground up
 */
const floors = (folder, rooms) =>
  rooms.slice(0, -1).map((room, i) => ({
    name: `${folder}: ${room} looks up`,
    severity: 'error',
    from: { path: `^src/${folder}/${room}/`, pathNot: String.raw`\.test\.tsx?$` },
    to: { path: `^src/${folder}/(${rooms.slice(i + 1).join('|')})/` },
  }))

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no circle', severity: 'error', from: {}, to: { circular: true } },
    ...floors('core', [
      'units',
      'schema',
      'stats',
      'model',
      'geo',
      'rf',
      'propagation',
      'terrain',
      'bench',
      'reports',
      'kit',
      'crew',
      'trial',
      'formats',
      'exchange',
      'reach',
      'findings',
      'sim',
    ]),
    ...floors('core/kit', ['parts', 'rig', 'rules', 'budget', 'sums', 'checks', 'assess']),
    ...floors('features/field', [
      'position',
      'pad',
      'log',
      'device',
      'media',
      'actions',
      'hints',
      'sheet',
      'menu',
      'screen',
      'desk',
      'grade',
    ]),
    {
      name: 'test builders are for tests',
      severity: 'error',
      from: { pathNot: String.raw`\.test\.tsx?$|/testing/` },
      to: { path: '/testing/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
}
