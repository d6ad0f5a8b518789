import type { Session, StaffRole } from '@binoculum/contract'
import type { FastifyInstance, FastifyRequest } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { Problem } from './errors.ts'

/** Who may call a route. Roles are per branch: the service then asks `requireRole` for the branch it touches. */
export type Access = 'public' | 'signed-in' | readonly StaffRole[]

export const anyRole = ['coordinator', 'volunteer', 'read-only'] as const
export const deskRoles = ['coordinator', 'volunteer'] as const
export const coordinatorOnly = ['coordinator'] as const

declare module 'fastify' {
  interface FastifyContextConfig {
    access?: Access
  }
  interface FastifyRequest {
    session: Session | null
  }
}

/** Where all routes, their rules and what they read are listed for the tests. */
declare module 'fastify' {
  interface FastifyInstance {
    routeRules: { method: string; url: string; access: Access | undefined; body: unknown }[]
  }
}

/** Refuses to register a route that doesn't say who may call it, and checks the rule before a body is read: a stranger's
 * bytes are never taken in. */
export const accessRules = fastifyPlugin(async (app: FastifyInstance) => {
  app.decorate('routeRules', [])
  app.addHook('onRoute', (route) => {
    const access = route.config?.access
    app.routeRules.push({ method: String(route.method), url: route.url, access, body: route.schema?.body })
    if (access === undefined) throw new Error(`${String(route.method)} ${route.url} doesn’t declare who may call it`)
  })
  app.addHook('onRequest', async (request) => {
    const access = request.routeOptions.config.access
    if (access === undefined || access === 'public') return
    const session = signedIn(request)
    if (access === 'signed-in') return
    if (!session.memberships.some(({ role }) => access.includes(role))) throw new Problem('NOT_ALLOWED')
  })
})

export function signedIn(request: FastifyRequest): Session {
  if (!request.session) throw new Problem('SIGN_IN')
  return request.session
}

/** Throws unless the session has one of the roles in this branch. Without any role there it learns nothing of it. */
export function requireRole(session: Session, branchId: string, roles: readonly StaffRole[]): void {
  const membership = session.memberships.find((candidate) => candidate.branchId === branchId)
  if (!membership) throw new Problem('NOT_FOUND')
  if (!roles.includes(membership.role)) throw new Problem('NOT_ALLOWED')
}

/** Whether the session has a role in a branch; for what a screen offers. */
export const signedInAs = (session: Session, branchId: string, role: StaffRole): boolean =>
  session.memberships.some((membership) => membership.branchId === branchId && membership.role === role)

/** Branches whose borrowers this person may see: those where they work at the desk. */
export const deskBranchIds = (session: Session): readonly string[] =>
  session.memberships.filter(({ role }) => role !== 'read-only').map(({ branchId }) => branchId)

export const branchIdsOf = (session: Session): readonly string[] =>
  session.memberships.map(({ branchId }) => branchId)
