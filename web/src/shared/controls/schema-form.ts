import type { InjectionKey } from 'vue'

/** What a form from a schema tells its fields: what is wrong, by path; and they tell it which paths they show. */
export interface SchemaFormFields {
  problemOf(path: string): string
  shows(path: string): () => void
}
export const schemaFormKey: InjectionKey<SchemaFormFields> = Symbol('form from a schema')
