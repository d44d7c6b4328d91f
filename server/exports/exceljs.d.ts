declare module 'exceljs/dist/exceljs.bare.min.js' {
  import ExcelJS from 'exceljs'

  export default ExcelJS
}
