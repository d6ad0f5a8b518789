import { createRouter, createWebHistory, type Router } from 'vue-router'
import { useSession } from './areas/people/session.ts'

declare module 'vue-router' {
  interface RouteMeta {
    /** Pages without sign-in: joining, and the borrower's guide. */
    open?: boolean
    title?: string
    /** A take-back that is put right after its end. */
    correcting?: boolean
  }
}

export function makeRouter(): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/shelf' },
      {
        path: '/sign-in',
        meta: { open: true, title: 'Sign in' },
        component: () => import('./areas/people/SignInPage.vue'),
      },
      {
        path: '/join/:token',
        meta: { open: true, title: 'Join' },
        component: () => import('./areas/people/JoinPage.vue'),
      },
      {
        path: '/',
        component: () => import('./areas/RoomLayout.vue'),
        children: [
          { path: 'shelf', meta: { title: 'Shelf' }, component: () => import('./areas/shelf/ShelfPage.vue') },
          { path: 'kits/:code', meta: { title: 'Kit' }, component: () => import('./areas/shelf/KitSheetPage.vue') },
          {
            path: 'kits/:code/packing',
            meta: { title: 'How it is packed' },
            component: () => import('./areas/shelf/packing/PackingPage.vue'),
          },
          {
            path: 'kits/:code/weigh',
            meta: { title: 'Weigh' },
            component: () => import('./areas/shelf/WeighPage.vue'),
          },
          { path: 'desk', meta: { title: 'Desk' }, component: () => import('./areas/desk/DeskPage.vue') },
          {
            path: 'desk/hand-out/:code',
            meta: { title: 'Hand out' },
            component: () => import('./areas/desk/HandOutPage.vue'),
          },
          {
            path: 'desk/take-back/:loanId',
            meta: { title: 'Take back' },
            component: () => import('./areas/desk/TakeBackPage.vue'),
          },
          {
            path: 'desk/take-back/:loanId/correct',
            meta: { title: 'Put a take-back right', correcting: true },
            component: () => import('./areas/desk/TakeBackPage.vue'),
          },
          {
            path: 'desk/loans/:loanId',
            meta: { title: 'Loan' },
            component: () => import('./areas/desk/LoanPage.vue'),
          },
          {
            path: 'desk/borrowers/:borrowerId',
            meta: { title: 'Borrower' },
            component: () => import('./areas/desk/BorrowerPage.vue'),
          },
          {
            path: 'desk/follow-up',
            meta: { title: 'Follow-up' },
            component: () => import('./areas/desk/follow-up/FollowUpPage.vue'),
          },
          {
            path: 'desk/letters',
            meta: { title: 'Letters' },
            component: () => import('./areas/desk/follow-up/LettersPage.vue'),
          },
          { path: 'bench', meta: { title: 'Bench' }, component: () => import('./areas/bench/BenchPage.vue') },
          {
            path: 'bench/plan',
            meta: { title: 'Evenings at the bench' },
            component: () => import('./areas/bench/BenchPlanPage.vue'),
          },
          { path: 'bench/:code', meta: { title: 'Check' }, component: () => import('./areas/bench/CheckPage.vue') },
          { path: 'guides', meta: { title: 'Guides' }, component: () => import('./areas/guides/GuidesPage.vue') },
          {
            path: 'guides/texts/:code',
            meta: { title: 'Texts of the guides' },
            component: () => import('./areas/guides/GuideTextsPage.vue'),
          },
          {
            path: 'guides/help-sheet/:code',
            meta: { title: 'Help sheet' },
            component: () => import('./areas/guides/HelpSheetPage.vue'),
          },
          {
            path: 'guides/:loanId',
            meta: { title: 'Guide' },
            component: () => import('./areas/guides/GuidePreviewPage.vue'),
          },
          {
            path: 'calendar',
            meta: { title: 'Calendar' },
            component: () => import('./areas/calendar/CalendarPage.vue'),
          },
          {
            path: 'calendar/waiting',
            meta: { title: 'Waiting list' },
            component: () => import('./areas/calendar/WaitingPage.vue'),
          },
          {
            path: 'calendar/van',
            meta: { title: 'The van' },
            component: () => import('./areas/calendar/VanPage.vue'),
          },
          {
            path: 'logbook',
            meta: { title: 'Logbook' },
            component: () => import('./areas/logbook/LogbookPage.vue'),
          },
          {
            path: 'logbook/buying',
            meta: { title: 'Buying and mending' },
            component: () => import('./areas/logbook/BuyingPage.vue'),
          },
          {
            path: 'logbook/:code',
            meta: { title: 'A kit’s story' },
            component: () => import('./areas/logbook/KitStoryPage.vue'),
          },
          {
            path: 'practice',
            meta: { title: 'Practice' },
            component: () => import('./areas/practice/PracticeCasePage.vue'),
          },
          {
            path: 'practice/telescope',
            meta: { title: 'Practice' },
            component: () => import('./areas/practice/PracticeTubePage.vue'),
          },
          {
            path: 'practice/results',
            meta: { title: 'Practice' },
            component: () => import('./areas/practice/PracticeResultsPage.vue'),
          },
          { path: 'setup', redirect: '/setup/bring-in' },
          {
            path: 'setup/bring-in',
            meta: { title: 'Bring in a list' },
            component: () => import('./areas/setup/BringInPage.vue'),
          },
          {
            path: 'setup/models',
            meta: { title: 'Models' },
            component: () => import('./areas/setup/models/ModelsPage.vue'),
          },
          {
            path: 'setup/models/:id',
            meta: { title: 'Model' },
            component: () => import('./areas/setup/models/ModelPage.vue'),
          },
          {
            path: 'setup/models/:id/steps',
            meta: { title: 'Steps' },
            component: () => import('./areas/setup/models/StepsPage.vue'),
          },
          {
            path: 'setup/kits',
            meta: { title: 'Kits' },
            component: () => import('./areas/setup/KitsPage.vue'),
          },
          {
            path: 'setup/branches',
            meta: { title: 'Branches' },
            component: () => import('./areas/setup/BranchesPage.vue'),
          },
          {
            path: 'setup/reminders',
            meta: { title: 'Letters that leave by themselves' },
            component: () => import('./areas/setup/RemindersPage.vue'),
          },
          {
            path: 'setup/opening',
            meta: { title: 'Opening days' },
            component: () => import('./areas/setup/OpeningPage.vue'),
          },
          {
            path: 'setup/models/:id/what',
            meta: { title: 'What a model is' },
            component: () => import('./areas/setup/models/HeadPage.vue'),
          },
          {
            path: 'setup/models/:id/mirror',
            meta: { title: 'Mirrors and cell' },
            component: () => import('./areas/setup/models/MirrorPage.vue'),
          },
          {
            path: 'setup/models/:id/finder',
            meta: { title: 'Finder and focuser' },
            component: () => import('./areas/setup/models/FinderPage.vue'),
          },
          {
            path: 'setup/models/:id/mount',
            meta: { title: 'Mount and tube' },
            component: () => import('./areas/setup/models/MountPage.vue'),
          },
          {
            path: 'setup/places',
            meta: { title: 'Places' },
            component: () => import('./areas/setup/places/PlacesPage.vue'),
          },
          {
            path: 'setup/places/:id/landmarks',
            meta: { title: 'Landmarks' },
            component: () => import('./areas/setup/places/LandmarksPage.vue'),
          },
          {
            path: 'setup/drawer',
            meta: { title: 'Drawer' },
            component: () => import('./areas/setup/DrawerPage.vue'),
          },
          {
            path: 'setup/open-case/:code',
            meta: { title: 'Open case' },
            component: () => import('./areas/setup/open-case/OpenCasePage.vue'),
          },
          {
            path: 'setup/labels',
            meta: { title: 'Labels and cards' },
            component: () => import('./areas/setup/LabelsPage.vue'),
          },
          {
            path: 'setup/devices',
            meta: { title: 'Devices' },
            component: () => import('./areas/setup/devices/DevicesPage.vue'),
          },
          {
            path: 'setup/agreement',
            meta: { title: 'Agreement' },
            component: () => import('./areas/setup/AgreementPage.vue'),
          },
          ...(import.meta.env.DEV
            ? [
                {
                  path: 'setup/parts-of-the-house',
                  meta: { title: 'Parts of the house' },
                  component: () => import('./areas/setup/PartsOfTheHousePage.vue'),
                },
              ]
            : []),
          {
            path: 'setup/archive',
            meta: { title: 'Archive' },
            component: () => import('./areas/setup/ArchivePage.vue'),
          },
          {
            path: 'setup/watch',
            meta: { title: 'What is wrong' },
            component: () => import('./areas/setup/WatchPage.vue'),
          },
          {
            path: 'setup/people',
            meta: { title: 'People' },
            component: () => import('./areas/setup/PeoplePage.vue'),
          },
        ],
      },
      { path: '/:rest(.*)*', meta: { open: true }, component: () => import('./areas/NotFoundPage.vue') },
    ],
    scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  })
  router.beforeEach(async (to) => {
    if (to.meta.open) return true
    const session = useSession()
    await session.load()
    return session.current ? true : { path: '/sign-in', query: { next: to.fullPath } }
  })
  router.afterEach((to) => {
    document.title = to.meta.title ? `${to.meta.title} · Binoculum` : 'Binoculum'
    if (!to.path.startsWith('/g/')) delete document.documentElement.dataset.scheme
  })
  return router
}
