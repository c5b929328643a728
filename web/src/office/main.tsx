import '../ui/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { fetchLetters } from '../ui/letters';
import { Frame } from './Frame';
import { home } from './roles';
import { SignIn } from './SignIn';
import { useSession } from './queries';
import { WayIn } from './WayIn';

const MailRoom = lazy(() => import('./MailRoom'));
const MineRoom = lazy(() => import('../mine/MineRoom'));
const TodayRoom = lazy(() => import('../today/TodayRoom'));
const TemplatesRoom = lazy(() => import('../templates/TemplatesRoom'));
const ComposeRoom = lazy(() => import('../templates/compose/ComposeRoom'));
const ClausesRoom = lazy(() => import('../clauses/ClausesRoom'));
const ClauseRoom = lazy(() => import('../clauses/ClauseRoom'));
const TemplateRoom = lazy(() => import('../templates/TemplateRoom'));
const IntakeRoom = lazy(() => import('../intake/IntakeRoom'));
const RunsRoom = lazy(() => import('../intake/RunsRoom'));
const FilesRoom = lazy(() => import('../recognition/FilesRoom'));
const FileRoom = lazy(() => import('../recognition/FileRoom'));
const LinksRoom = lazy(() => import('../intake/links/LinksRoom'));
const LinkRoom = lazy(() => import('../intake/links/LinkRoom'));
const FormRoom = lazy(() => import('../intake/FormRoom'));
const AgreementsRoom = lazy(() => import('../agreements/AgreementsRoom'));
const AgreementRoom = lazy(() => import('../agreements/AgreementRoom'));
const PaperRoom = lazy(() => import('../agreements/paper/PaperRoom'));
const ScansRoom = lazy(() => import('../agreements/scans/ScansRoom'));
const ScanRoom = lazy(() => import('../agreements/scans/ScanRoom'));
const ArchiveRoom = lazy(() => import('../archive/ArchiveRoom'));
const CheckRoom = lazy(() => import('../archive/check/CheckRoom'));
const StampsRoom = lazy(() => import('../archive/stamps/StampsRoom'));
const RootsRoom = lazy(() => import('../archive/roots/RootsRoom'));
const DatesRoom = lazy(() => import('../archive/dates/DatesRoom'));
const ReportsRoom = lazy(() => import('../archive/reports/ReportsRoom'));
const PersonRoom = lazy(() => import('../archive/person/PersonRoom'));
const RetentionRoom = lazy(() => import('../archive/retention/RetentionRoom'));
const FilingRoom = lazy(() => import('../archive/filing/FilingRoom'));
const FiledRoom = lazy(() => import('../archive/FiledRoom'));
const RegistersRoom = lazy(() => import('../registers/RegistersRoom'));
const RegisterRoom = lazy(() => import('../registers/RegisterRoom'));
const ColumnsRoom = lazy(() => import('../registers/ColumnsRoom'));
const RowRoom = lazy(() => import('../registers/RowRoom'));
const TableRoom = lazy(() => import('../tables/TableRoom'));
const PostroomRoom = lazy(() => import('../postroom/PostroomRoom'));
const ProgramsRoom = lazy(() => import('../programs/ProgramsRoom'));
const ProgramRoom = lazy(() => import('../programs/ProgramRoom'));
const WebhooksRoom = lazy(() => import('../programs/WebhooksRoom'));
const WebhookRoom = lazy(() => import('../programs/WebhookRoom'));
const RecordSystemsRoom = lazy(() => import('../records/RecordSystemsRoom'));
const RecordSystemRoom = lazy(() => import('../records/RecordSystemRoom'));
const RecordRoom = lazy(() => import('../records/RecordRoom'));
const NoticeRoom = lazy(() => import('../programs/NoticeRoom'));
const HoursRoom = lazy(() => import('./HoursRoom'));
const KeptFilesRoom = lazy(() => import('./KeptFilesRoom'));
const AccountRoom = lazy(() => import('../people/AccountRoom'));
const PeopleRoom = lazy(() => import('../people/PeopleRoom'));
const OfficePersonRoom = lazy(() => import('../people/PersonRoom'));
const AskingRoom = lazy(() => import('../people/AskingRoom'));
const TeamsRoom = lazy(() => import('../people/TeamsRoom'));
const GroupsRoom = lazy(() => import('../people/groups/GroupsRoom'));
const TrailRoom = lazy(() => import('../people/TrailRoom'));

/** The room that who is signed in begins in. */
function Home() {
  const session = useSession();
  return session.data && <Navigate to={home(session.data)} replace />;
}

const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 2000 } } });
fetchLetters();
const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for the interface');

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      {/* What stands in the address changes at once: boxes and inputs are held by it. */}
      <BrowserRouter useTransitions={false}>
        <Routes>
          <Route path="/sign-in" element={<SignIn />} />
          <Route path="/way-in/:secret" element={<WayIn />} />
          <Route element={<Frame />}>
            <Route index element={<Home />} />
            <Route path="/today" element={<TodayRoom />} />
            <Route path="/mine" element={<MineRoom />} />
            <Route path="/templates" element={<TemplatesRoom />} />
            <Route path="/templates/new" element={<ComposeRoom />} />
            <Route path="/clauses" element={<ClausesRoom />} />
            <Route path="/clauses/:id" element={<ClauseRoom />} />
            <Route path="/templates/:id" element={<TemplateRoom />} />
            <Route path="/intake" element={<IntakeRoom />} />
            <Route path="/intake/runs" element={<RunsRoom />} />
            <Route path="/intake/files" element={<FilesRoom />} />
            <Route path="/intake/files/:id" element={<FileRoom />} />
            <Route path="/intake/links" element={<LinksRoom />} />
            <Route path="/intake/links/:id" element={<LinkRoom />} />
            <Route path="/intake/new/:template" element={<FormRoom />} />
            <Route path="/intake/:number" element={<FormRoom />} />
            <Route path="/agreements" element={<AgreementsRoom />} />
            <Route path="/agreements/scans" element={<ScansRoom />} />
            <Route path="/agreements/scans/:id" element={<ScanRoom />} />
            <Route path="/agreements/:number" element={<AgreementRoom />} />
            <Route path="/agreements/:number/paper" element={<PaperRoom />} />
            <Route path="/archive" element={<ArchiveRoom />} />
            <Route path="/archive/check" element={<CheckRoom />} />
            <Route path="/archive/roots" element={<RootsRoom />} />
            <Route path="/archive/stamps" element={<StampsRoom />} />
            <Route path="/archive/dates" element={<DatesRoom />} />
            <Route path="/archive/reports" element={<ReportsRoom />} />
            <Route path="/archive/person" element={<PersonRoom />} />
            <Route path="/archive/retention" element={<RetentionRoom />} />
            <Route path="/archive/filing" element={<FilingRoom />} />
            <Route path="/archive/:number" element={<FiledRoom />} />
            <Route path="/registers" element={<RegistersRoom />} />
            <Route path="/registers/new" element={<ColumnsRoom />} />
            <Route path="/registers/:register" element={<RegisterRoom />} />
            <Route path="/registers/:register/columns" element={<ColumnsRoom />} />
            <Route path="/registers/:register/rows/:id" element={<RowRoom />} />
            <Route path="/tables/:id" element={<TableRoom />} />
            <Route path="/postroom" element={<PostroomRoom />} />
            <Route path="/programs" element={<ProgramsRoom />} />
            <Route path="/programs/new" element={<ProgramRoom />} />
            <Route path="/programs/webhooks" element={<WebhooksRoom />} />
            <Route path="/programs/webhooks/new" element={<WebhookRoom />} />
            <Route path="/programs/webhooks/:id" element={<WebhookRoom />} />
            <Route path="/programs/webhooks/:id/notices/:notice" element={<NoticeRoom />} />
            <Route path="/programs/records" element={<RecordSystemsRoom />} />
            <Route path="/programs/records/new" element={<RecordSystemRoom />} />
            <Route path="/programs/records/:id" element={<RecordSystemRoom />} />
            <Route path="/programs/records/:id/record" element={<RecordRoom />} />
            <Route path="/programs/:id" element={<ProgramRoom />} />
            <Route path="/office/hours" element={<HoursRoom />} />
            <Route path="/office/files" element={<KeptFilesRoom />} />
            <Route path="/office/mail" element={<MailRoom />} />
            <Route path="/account" element={<AccountRoom />} />
            <Route path="/asking" element={<AskingRoom />} />
            <Route path="/people" element={<PeopleRoom />} />
            <Route path="/people/teams" element={<TeamsRoom />} />
            <Route path="/people/groups" element={<GroupsRoom />} />
            <Route path="/people/trail" element={<TrailRoom />} />
            <Route path="/people/:id" element={<OfficePersonRoom />} />
          </Route>
        </Routes>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
