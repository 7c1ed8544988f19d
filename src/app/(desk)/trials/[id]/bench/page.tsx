export { default } from '../../../bench/page'
