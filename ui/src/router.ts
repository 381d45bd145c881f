import { createRouter, createWebHistory } from 'vue-router'
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
      component: () => import('./agency/SignInPage.vue'),
      meta: { bare: true, title: 'Sign in' },
    },
    {
      path: '/reset-password',
      name: 'reset-password',
      component: () => import('./people/ResetPasswordPage.vue'),
      meta: { bare: true, title: 'A new password' },
    },
    {
      path: '/invitation',
      name: 'invitation',
      component: () => import('./people/InvitationPage.vue'),
      meta: { bare: true, title: 'An invitation' },
    },
    { path: '/desk', name: 'desk', component: () => import('./agency/DeskPage.vue'), meta: { title: 'Desk' } },
    { path: '/posts', name: 'posts', component: () => import('./posts/PostListPage.vue'), meta: { title: 'Posts' } },
    { path: '/w/:workspace', redirect: (to) => ({ name: 'desk', query: { client: to.params.workspace } }) },
    { path: '/w/:workspace/posts', redirect: (to) => ({ name: 'posts', query: { client: to.params.workspace } }) },
    {
      path: '/w/:workspace/posts/:post',
      name: 'post',
      component: () => import('./posts/PostSheetPage.vue'),
      props: true,
      meta: { title: 'Post' },
    },
    {
      path: '/dispatch',
      name: 'dispatch',
      component: () => import('./dispatch/DispatchPage.vue'),
      meta: { title: 'Dispatch' },
    },
    {
      path: '/w/:workspace/by-hand/:showing',
      name: 'by-hand',
      component: () => import('./dispatch/ByHandPage.vue'),
      props: true,
      meta: { title: 'Publish by hand', section: 'dispatch' },
    },
    {
      path: '/as-client',
      name: 'as-client',
      component: () => import('./people/AsClientPage.vue'),
      meta: { title: 'As a client’s person' },
    },
    {
      path: '/clients/new',
      name: 'new-client',
      component: () => import('./clients/NewClientPage.vue'),
      meta: { title: 'A new client' },
    },
    {
      path: '/connect/back',
      name: 'connect-back',
      component: () => import('./channels/ConnectBackPage.vue'),
      meta: { title: 'Back from the network' },
    },
    {
      path: '/w/:workspace/client',
      component: () => import('./clients/ClientPage.vue'),
      props: true,
      meta: { section: 'client' },
      children: [
        {
          path: '',
          name: 'brand',
          component: () => import('./clients/BrandPage.vue'),
          props: true,
          meta: { title: 'Brand sheet' },
        },
        {
          path: 'people',
          name: 'people',
          component: () => import('./people/PeoplePage.vue'),
          props: true,
          meta: { title: 'People' },
        },
        {
          path: 'channels',
          name: 'channels',
          component: () => import('./channels/ChannelsPage.vue'),
          props: true,
          meta: { title: 'Channels' },
        },
        {
          path: 'sign-off',
          name: 'route',
          component: () => import('./signoff/RoutePage.vue'),
          props: true,
          meta: { title: 'Sign-off' },
        },
        {
          path: 'rules',
          name: 'settings',
          component: () => import('./clients/SettingsPage.vue'),
          props: true,
          meta: { title: 'Client settings' },
        },
        {
          path: 'record',
          name: 'client-record',
          component: () => import('./record/ClientRecordPage.vue'),
          props: true,
          meta: { title: 'Record' },
        },
      ],
    },
    {
      path: '/agency',
      component: () => import('./agency/AgencyPage.vue'),
      meta: { section: 'agency' },
      children: [
        {
          path: '',
          name: 'agency-people',
          component: () => import('./agency/AgencyPeople.vue'),
          meta: { title: 'People and clients' },
        },
        {
          path: 'roles',
          name: 'roles',
          component: () => import('./permissions/RolesPage.vue'),
          meta: { title: 'Roles' },
        },
        {
          path: 'policies',
          name: 'policies',
          component: () => import('./agency/PoliciesPage.vue'),
          meta: { title: 'Policies' },
        },
        {
          path: 'record',
          name: 'agency-record',
          component: () => import('./agency/AgencyRecordPage.vue'),
          meta: { title: 'Record' },
        },
      ],
    },
    {
      path: '/profile',
      name: 'profile',
      component: () => import('./people/ProfilePage.vue'),
      meta: { title: 'My profile' },
    },
    { path: '/:rest(.*)', component: () => import('./agency/NowherePage.vue'), meta: { title: 'Not here' } },
  ],
})

// pages that are named by what they show say so themselves, later
router.afterEach((to) => entitle(String(to.meta.title ?? '')))
