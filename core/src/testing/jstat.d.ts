declare module 'jstat' {
  const library: unknown
  export default library
}
