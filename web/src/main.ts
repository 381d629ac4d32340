import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createBootstrap } from 'bootstrap-vue-next'
import { createRouter, createWebHistory } from 'vue-router'
import App from './App.vue'
import ClipsPage from './clips/ClipsPage.vue'
import EditorPage from './editor/EditorPage.vue'
import { engineModule } from './engine/module'
import { startKeeper } from './stores/keeper'
import 'virtual:icons.css'
import './style/main.scss'

// The engine is the largest part, and every page leads to it.
engineModule().catch(() => undefined) // asked for again where it is needed

const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: ClipsPage },
    {
      path: '/clips/:id/:view(sound|range|variants|bench)?',
      component: EditorPage,
      props: (to) => ({ id: to.params.id, view: to.params.view ?? '' })
    },
    { path: '/:rest(.*)', redirect: '/' }
  ]
})

createApp(App).use(createPinia()).use(createBootstrap()).use(router).mount('#app')
window.addEventListener('load', startKeeper)
