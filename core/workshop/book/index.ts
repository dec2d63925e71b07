export { innerOf, PAPERS, type Block, type Book, type Hand, type Paper } from './blocks'
export { composeBook, composeRecipeSheets, type BookAsk } from './pages'
export { pdfDefinition, PT } from './pdf'
export { bookHtml, type EmbeddedFont } from './html'
