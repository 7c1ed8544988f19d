export { default } from '../../../../bench/bearings/page'
