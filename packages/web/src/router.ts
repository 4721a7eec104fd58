import { createRouter, createWebHistory } from "vue-router";
import { CallError } from "./api/call.js";
import { useSession } from "./stores/session.js";

/** One view each, loaded when it is first opened. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: "/sign-in",
      name: "sign-in",
      component: () => import("./features/sign-in/SignInView.vue"),
      meta: { open: true, title: "Sign in" },
    },
    {
      path: "/new-password",
      name: "new-password",
      component: () => import("./features/account/NewPasswordView.vue"),
      meta: { open: true, title: "A new password" },
    },
    {
      path: "/welcome",
      name: "welcome",
      component: () => import("./features/sign-in/WelcomeView.vue"),
      meta: { open: true, title: "Welcome" },
    },
    {
      path: "/account/deleted",
      name: "deleted",
      component: () => import("./features/account/DeletedView.vue"),
      meta: { title: "Deleted" },
    },
    {
      path: "/account/hand-ins",
      name: "own-hand-ins",
      component: () => import("./features/account/OwnHandInsView.vue"),
      meta: { title: "My hand-ins" },
    },
    { path: "/account", name: "account", component: () => import("./features/account/AccountView.vue"), meta: { title: "Account" } },
    { path: "/", name: "workroom", component: () => import("./features/workroom/WorkroomView.vue"), meta: { title: "Workroom" } },
    { path: "/shelf", name: "shelf", component: () => import("./features/shelf/ShelfView.vue"), meta: { title: "Shelf" } },
    { path: "/shelf/:slug", name: "start", component: () => import("./features/shelf/StartView.vue"), meta: { title: "Start a draft" } },
    {
      path: "/bodies/:personId?/:setId?",
      name: "bodies",
      component: () => import("./features/bodies/BodiesView.vue"),
      meta: { title: "Bodies" },
    },
    { path: "/drafts/:id", name: "draft", component: () => import("./features/draft/DraftView.vue"), meta: { title: "Draft", full: true } },
    {
      path: "/drafts/:id/table",
      name: "at-table",
      component: () => import("./features/at-table/AtTableView.vue"),
      meta: { title: "At the table", full: true },
    },
    {
      path: "/progress",
      name: "progress",
      component: () => import("./features/progress/ProgressView.vue"),
      meta: { title: "At the table so far" },
    },
    { path: "/classes", name: "classes", component: () => import("./features/classes/ClassesView.vue"), meta: { title: "Classes" } },
    { path: "/classes/:id/:part?", name: "class", component: () => import("./features/classes/ClassView.vue"), meta: { title: "Class" } },
    {
      path: "/classes/:id/lead/:slug/:version",
      name: "lead",
      component: () => import("./features/classes/leading/LeadView.vue"),
      meta: { title: "Leading", full: true },
    },
    {
      path: "/classes/:id/board/:slug/:version",
      name: "board",
      component: () => import("./features/classes/leading/BoardView.vue"),
      meta: { title: "On the board", full: true },
    },
    {
      path: "/assignments/:classId/:id",
      name: "assignment",
      component: () => import("./features/classes/assignments/AssignmentView.vue"),
      meta: { title: "Assignment" },
    },
    { path: "/drafts/:id/print", name: "print", component: () => import("./features/print/PrintView.vue"), meta: { title: "Print" } },
    { path: "/sizes/:id?", name: "sizes", component: () => import("./features/sizes/SizesView.vue"), meta: { title: "Sizes" } },
    {
      path: "/builder",
      name: "builder",
      component: () => import("./features/builder/BuilderView.vue"),
      meta: { title: "My systems" },
    },
    {
      path: "/builder/:id",
      name: "work",
      component: () => import("./features/builder/WorkView.vue"),
      meta: { title: "Writing", full: true },
    },
    { path: "/:rest(.*)*", name: "lost", component: () => import("./features/workroom/LostView.vue"), meta: { title: "Not here" } },
  ],
});

router.beforeEach(async (to) => {
  const session = useSession();
  // The view is fetched while it is asked who is here.
  for (const { components } of to.matched) {
    const view = components?.["default"];
    if (typeof view === "function") void (view as () => Promise<unknown>)().catch(() => undefined);
  }
  try {
    await session.ask();
  } catch (error) {
    // Out of reach: the views say so themselves and try again.
    if (!(error instanceof CallError)) throw error;
    return true;
  }
  if (!session.account && to.meta["open"] !== true) return { name: "sign-in", query: to.fullPath === "/" ? {} : { to: to.fullPath } };
  return true;
});

router.afterEach((to) => {
  document.title = `${String(to.meta["title"] ?? "Lodrin")} · Lodrin`;
});
