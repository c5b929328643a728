package org.jalousie.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.Rooms;
import org.springframework.data.jpa.repository.JpaRepository;

/** Features keep their tables to themselves, show one another their faces, and don't go in circles. */
@AnalyzeClasses(packages = "org.jalousie.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule noCircles =
            slices().matching("org.jalousie.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule repositoriesArePrivate =
            classes().that().areAssignableTo(JpaRepository.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule controllersSpeakToServicesOnly = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .and()
            .resideOutsideOfPackage("..postroom..")
            .should()
            .dependOnClassesThat()
            .areAssignableTo(JpaRepository.class);

    @ArchTest
    static final ArchRule noClockButTheOneHandedIn = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");

    @ArchTest
    static final ArchRule aWordingIsSeenByItsFace =
            noClasses().should().dependOnClassesThat().resideInAnyPackage(Rooms.BEHIND_THE_FACE);

    /**
     * What other rooms may see of a room: its face, and the types that the face speaks with. Adapters, the file store's face,
     * the web's helpers and locks are there for all.
     */
    private static final Map<String, List<String>> FACES = Map.ofEntries(
            Map.entry(
                    "account", List.of("SignedIn", "SignedIn$Program", "Colleagues", "Colleagues$Colleague", "Sight")),
            Map.entry(
                    "agreement",
                    List.of(
                            "Agreements",
                            "Agreements$Answers",
                            "Agreements$Filed",
                            "Agreements$Finished",
                            "Agreements$Outcome",
                            "Agreements$Waits",
                            "AgreementsAsked",
                            "AgreementsAsked$Where",
                            "EndedAgreements",
                            "EndedAgreements$Completed",
                            "EndedAgreements$Group",
                            "EndedAgreements$Groups",
                            "EndedAgreements$Sum",
                            "EndedAgreements$Line",
                            "EndedAgreements$Lines",
                            "AfterEvents",
                            "NamedAgreements",
                            "WhenGone",
                            "WhenGone$Gone",
                            "GoneAgreements",
                            "GoneAgreements$At",
                            "GoneAgreements$Ending",
                            "GoneAgreements$Stone",
                            "AgreementViews",
                            "AgreementViews$AgreementItem",
                            "AgreementViews$RouteStep",
                            "AgreementViews$AttachedView",
                            "DocumentView",
                            "DocumentView$OpenField")),
            Map.entry("people", List.of("PersonsAccounts", "PersonsAccounts$PersonsAccount", "PersonsAccounts$Place")),
            Map.entry("trail", List.of("Trail")),
            Map.entry("archive", List.of()),
            Map.entry("clause", List.of("ClauseLibrary", "ClauseLibrary$Version")),
            Map.entry("documents", List.of()),
            Map.entry(
                    "files",
                    List.of(
                            "FileMoves",
                            "FileMoves$FilesView",
                            "FileMoves$Tried",
                            "FileStore",
                            "FileStore$Damaged",
                            "OpenFiles")),
            Map.entry(
                    "intake",
                    List.of(
                            "WaitingRequests",
                            "IntakeViews",
                            "IntakeViews$RequestRow",
                            "AfterRequests",
                            "AfterRequests$Received",
                            "Renewals",
                            "PersonsRequests",
                            "PersonsRequests$PersonsRequest",
                            "Renewals$Care",
                            "Renewals$Renewal",
                            "RowIntake",
                            "RowIntake$Faults",
                            "RowIntake$Whole")),
            Map.entry(
                    "office",
                    List.of(
                            "OfficeHours",
                            "AfterHours",
                            "OfficeLooks",
                            "OfficeLooks$Kept",
                            "OfficeLooks$InMail",
                            "OfficeWords")),
            Map.entry("programs", List.of("Reached", "Reached$About")),
            Map.entry("webhooks", List.of()),
            Map.entry("records", List.of("RecordTroubles", "RecordTroubles$RecordTrouble")),
            Map.entry(
                    "registers",
                    List.of(
                            "PersonsRows",
                            "PersonsRows$PersonsRow",
                            "RegisterLookups",
                            "RegisterLookups$TakenAnswers")),
            Map.entry(
                    "tables",
                    List.of(
                            "TablesBrought",
                            "TablesBrought$Subject",
                            "TableUse",
                            "TableUse$Purpose",
                            "TableUse$Outcome",
                            "TableUse$Taken",
                            "TableUse$TakenRow",
                            "TableUse$PartRow",
                            "TableUse$By",
                            "TableUse$Made",
                            "TableUse$Checked",
                            "TableSettings",
                            "TableViews",
                            "TableViews$TableItem",
                            "TableViews$TableDetail")),
            Map.entry("paper", List.of("Papers", "Papers$Paper")),
            Map.entry(
                    "postroom",
                    List.of(
                            "RequestPost",
                            "RequestPost$Written",
                            "RequestPost$Writer",
                            "ReturnedCopies",
                            "ReturnedCopies$ReturnedCopy",
                            "SentMails",
                            "SentMails$SentMail")),
            Map.entry("recognition", List.of("ReadFiles", "ReadFiles$Ready", "ReadFiles$Confirmation")),
            Map.entry("signing", List.of("ParticipantLinks", "ParticipantLinks$CopyLink", "IdentityCodes")),
            Map.entry(
                    "template",
                    List.of(
                            "WordingEditions",
                            "WordingEditions$Edition",
                            "TemplateRetention",
                            "TemplateRetention$Chosen",
                            "TemplateColumns",
                            "TemplateColumns$Chosen",
                            "TemplateDates",
                            "TemplateDates$Chosen",
                            "UsableTemplates",
                            "UsableTemplate",
                            "FilledPages",
                            "FilledPages$Filled",
                            "FilledPages$Marks",
                            "SingleUseTemplates")));

    @ArchTest
    static final ArchRule aRoomIsSeenByItsFace = classes()
            .that()
            .resideInAPackage("org.jalousie.server..")
            .should(new ArchCondition<JavaClass>("see of other rooms their faces only") {
                @Override
                public void check(JavaClass one, ConditionEvents events) {
                    one.getDirectDependenciesFromSelf().stream()
                            .filter(to -> isHidden(one, to.getTargetClass()))
                            .forEach(to -> events.add(SimpleConditionEvent.violated(one, to.getDescription())));
                }
            });

    private static boolean isHidden(JavaClass from, JavaClass to) {
        String room = to.getPackageName().replaceFirst("^org\\.jalousie\\.server\\.?", "");
        return FACES.containsKey(room)
                && !from.getPackageName().equals(to.getPackageName())
                && !FACES.get(room)
                        .contains(to.getName().substring(to.getPackageName().length() + 1));
    }
}
