import { TestServer } from './server'

/** Before any test: what they all copy is made. */
export default function beforeAll(): void {
  TestServer.makeData()
}
