import { createRouter, createWebHistory } from 'vue-router'
import { page, setOut } from './parts/on-the-way'
import { entitle } from './parts/title'

export const router = createRouter({
  history: createWebHistory(),
  // the way back leads to the place in the list, not to its top; a narrowing of the same page moves nothing
  scrollBehavior: (to, from, place) => place ?? (to.path === from.path ? undefined : { top: 0 }),
  routes: [
    { path: '/', redirect: '/desk' },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: page(() => import('./agency/SignInPage.vue')),
      meta: { bare: true, title: 'Sign in' },
    },
    {
      path: '/reset-password',
      name: 'reset-password',
      component: page(() => import('./people/ResetPasswordPage.vue')),
      meta: { bare: true, title: 'A new password' },
    },
    {
      path: '/invitation',
      name: 'invitation',
      component: page(() => import('./people/InvitationPage.vue')),
      meta: { bare: true, title: 'An invitation' },
    },
    { path: '/desk', name: 'desk', component: page(() => import('./agency/DeskPage.vue')), meta: { title: 'Desk' } },
    {
      path: '/figures',
      name: 'figures',
      component: page(() => import('./figures/FiguresPage.vue')),
      meta: { title: 'Figures', section: 'desk' },
    },
    {
      path: '/w/:workspace/figures',
      name: 'client-figures',
      component: page(() => import('./figures/FiguresPage.vue')),
      props: true,
      meta: { title: 'How sign-off goes' },
    },
    {
      path: '/plan',
      name: 'plan',
      component: page(() => import('@/plan/calendar/PlanPage.vue')),
      meta: { title: 'Plan' },
    },
    {
      path: '/networks',
      name: 'networks',
      component: page(() => import('./channels/NetworksPage.vue')),
      meta: { title: 'What networks take', section: 'plan' },
    },
    {
      path: '/campaigns',
      name: 'campaigns',
      component: page(() => import('./campaigns/CampaignsPage.vue')),
      meta: { title: 'Campaigns', section: 'plan' },
    },
    {
      path: '/w/:workspace/campaigns/:campaign',
      name: 'campaign',
      component: page(() => import('./campaigns/CampaignPage.vue')),
      props: true,
      meta: { title: 'Campaign', section: 'plan' },
    },
    {
      path: '/w/:workspace/client-plan',
      name: 'client-plan',
      component: page(() => import('@/plan/sharing/ClientPlanPage.vue')),
      props: true,
      meta: { title: 'The plan as the client sees it', section: 'plan' },
    },
    {
      path: '/w/:workspace/labels',
      name: 'labels',
      component: page(() => import('./campaigns/LabelsPage.vue')),
      props: true,
      meta: { title: 'Labels', section: 'plan' },
    },
    {
      path: '/posts',
      name: 'posts',
      component: page(() => import('./posts/PostListPage.vue')),
      meta: { title: 'Posts' },
    },
    {
      path: '/material',
      name: 'material',
      component: page(() => import('@/media/library/MaterialPage.vue')),
      meta: { title: 'Media' },
    },
    {
      path: '/partners',
      name: 'partners',
      component: page(() => import('./partners/PartnersPage.vue')),
      meta: { title: 'Partners', section: 'material' },
    },
    {
      path: '/feeds',
      name: 'feeds',
      component: page(() => import('./feeds/FeedsPage.vue')),
      meta: { title: 'Feeds', section: 'material' },
    },
    {
      path: '/ideas',
      name: 'ideas',
      component: page(() => import('./ideas/IdeasPage.vue')),
      meta: { title: 'Ideas', section: 'material' },
    },
    { path: '/w/:workspace', redirect: (to) => ({ name: 'desk', query: { client: to.params.workspace } }) },
    { path: '/w/:workspace/posts', redirect: (to) => ({ name: 'posts', query: { client: to.params.workspace } }) },
    {
      path: '/w/:workspace/posts/:post',
      name: 'post',
      component: page(() => import('./posts/PostSheetPage.vue')),
      props: true,
      meta: { title: 'Post' },
    },
    {
      path: '/dispatch',
      name: 'dispatch',
      component: page(() => import('./dispatch/DispatchPage.vue')),
      meta: { title: 'Dispatch' },
    },
    {
      path: '/w/:workspace/by-hand/:showing',
      name: 'by-hand',
      component: page(() => import('./dispatch/ByHandPage.vue')),
      props: true,
      meta: { title: 'Publish by hand', section: 'dispatch' },
    },
    {
      path: '/as-client',
      name: 'as-client',
      component: page(() => import('./people/AsClientPage.vue')),
      meta: { title: 'As a client’s person' },
    },
    {
      path: '/clients/new',
      name: 'new-client',
      component: page(() => import('./clients/NewClientPage.vue')),
      meta: { title: 'A new client' },
    },
    {
      path: '/connect/back',
      name: 'connect-back',
      component: page(() => import('./channels/ConnectBackPage.vue')),
      meta: { title: 'Back from the network' },
    },
    {
      path: '/w/:workspace/client',
      component: page(() => import('./clients/ClientPage.vue')),
      props: true,
      meta: { section: 'client' },
      children: [
        {
          path: '',
          name: 'brand',
          component: page(() => import('./clients/BrandPage.vue')),
          props: true,
          meta: { title: 'Brand sheet' },
        },
        {
          path: 'people',
          name: 'people',
          component: page(() => import('./people/PeoplePage.vue')),
          props: true,
          meta: { title: 'People' },
        },
        {
          path: 'channels',
          name: 'channels',
          component: page(() => import('./channels/ChannelsPage.vue')),
          props: true,
          meta: { title: 'Channels' },
        },
        {
          path: 'sign-off',
          name: 'route',
          component: page(() => import('@/signoff/routes/RoutePage.vue')),
          props: true,
          meta: { title: 'Sign-off' },
        },
        {
          path: 'rules',
          name: 'settings',
          component: page(() => import('./clients/SettingsPage.vue')),
          props: true,
          meta: { title: 'Client settings' },
        },
        {
          path: 'record',
          name: 'client-record',
          component: page(() => import('./record/ClientRecordPage.vue')),
          props: true,
          meta: { title: 'Record' },
        },
      ],
    },
    {
      path: '/agency',
      component: page(() => import('./agency/AgencyPage.vue')),
      meta: { section: 'agency' },
      children: [
        {
          path: '',
          name: 'agency-people',
          component: page(() => import('./agency/AgencyPeople.vue')),
          meta: { title: 'People and clients' },
        },
        {
          path: 'roles',
          name: 'roles',
          component: page(() => import('./permissions/RolesPage.vue')),
          meta: { title: 'Roles' },
        },
        {
          path: 'policies',
          name: 'policies',
          component: page(() => import('./agency/PoliciesPage.vue')),
          meta: { title: 'Policies' },
        },
        {
          path: 'record',
          name: 'agency-record',
          component: page(() => import('./agency/AgencyRecordPage.vue')),
          meta: { title: 'Record' },
        },
      ],
    },
    {
      path: '/profile',
      name: 'profile',
      component: page(() => import('./people/ProfilePage.vue')),
      meta: { title: 'My profile' },
    },
    { path: '/:rest(.*)', component: page(() => import('./agency/NowherePage.vue')), meta: { title: 'Not here' } },
  ],
})

router.beforeEach((to) => setOut(String(to.meta.title ?? 'The page'), to.fullPath))

// pages that are named by what they show say so themselves, later
router.afterEach((to) => entitle(String(to.meta.title ?? '')))
