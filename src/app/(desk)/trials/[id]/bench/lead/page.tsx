export { default } from '../../../../bench/lead/page'
