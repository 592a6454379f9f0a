/** The one build of the package that Node.js and bundlers read alike. */
declare module 'wavefile/dist/wavefile.js' {
  import * as whole from 'wavefile';
  export default whole;
}
