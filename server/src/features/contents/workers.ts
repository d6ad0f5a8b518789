import { workerBeside } from '../../platform/bounded-worker.ts'

export type { ListWork, ReadList } from './list.worker.ts'
export type { PictureMade } from './picture.worker.ts'
export const listWorker = workerBeside(import.meta.url, 'list')
export const pictureWorker = workerBeside(import.meta.url, 'picture')
