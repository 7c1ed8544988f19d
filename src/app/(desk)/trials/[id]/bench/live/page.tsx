export { default } from '../../../../bench/live/page'
