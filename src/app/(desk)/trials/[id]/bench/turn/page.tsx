export { default } from '../../../../bench/turn/page'
