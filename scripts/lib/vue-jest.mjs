import { transformSync } from '@swc/core'
import { compileScript, parse } from '@vue/compiler-sfc'

/** Compiles a component for Jest: script and template in one module, its styles left out. */
export default {
  process(source, path) {
    const { descriptor, errors } = parse(source, { filename: path })
    if (errors.length > 0) throw errors[0]
    const { content } = compileScript(descriptor, { id: path, inlineTemplate: true })
    const { code, map } = transformSync(content, {
      filename: path,
      sourceMaps: true,
      jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
      module: { type: 'es6' },
    })
    return { code, map }
  },
}
