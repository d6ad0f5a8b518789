import { DefaultNamingStrategy, Table } from 'typeorm'

export const snake = (name: string) => name.replaceAll(/([a-z\d])([A-Z])/g, '$1_$2').toLowerCase()
const nameOf = (table: Table | string) => (typeof table === 'string' ? table : table.name).split('.').at(-1) ?? ''

/** snake_case tables and columns, and constraints whose names tell what they guard. */
export class ReadableNames extends DefaultNamingStrategy {
  override tableName(className: string, given: string | undefined) {
    return given ?? snake(className)
  }
  override columnName(property: string, given: string, prefixes: string[]) {
    return snake([...prefixes, given || property].join('_'))
  }
  override primaryKeyName(table: Table | string) {
    return `pk_${nameOf(table)}`
  }
  override foreignKeyName(table: Table | string, columns: string[]) {
    return `fk_${nameOf(table)}_${columns.map(snake).join('_')}`
  }
  override uniqueConstraintName(table: Table | string, columns: string[]) {
    return `uq_${nameOf(table)}_${columns.map(snake).sort().join('_')}`
  }
  override indexName(table: Table | string, columns: string[], where?: string) {
    return `ix_${nameOf(table)}_${columns.map(snake).sort().join('_')}${where ? '_some' : ''}`
  }
}
