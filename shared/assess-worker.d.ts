/** The address of the built thread, put in by the build. */
declare module 'virtual:assess-worker' {
  const url: string
  export default url
}
