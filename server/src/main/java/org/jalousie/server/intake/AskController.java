package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import org.jalousie.core.access.Role;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FileLimits;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Forms that are shared by a link, over HTTP: for anybody, without a session. */
@RestController
@RequestMapping("/api/v1/ask/{token}")
class AskController {
    private final AskDoor door;
    private final AskLimits limits;
    private final AskPages pages;
    private final AskService service;
    private final GivenFiles given;
    private final FileStore files;
    /** A picture becomes many times its size when it is opened. */
    private final Semaphore turns = new Semaphore(2, true);

    AskController(
            AskDoor door, AskLimits limits, AskPages pages, AskService service, GivenFiles given, FileStore files) {
        this.door = door;
        this.limits = limits;
        this.pages = pages;
        this.service = service;
        this.given = given;
        this.files = files;
    }

    record Word(String word) {}

    /** Answers as they are typed. @param access what saying the word gave; empty where none is needed */
    record AskedSoFar(String access, LiveController.AnswersSoFar answers) {}

    record ToRead(
            String access,
            List<Field> fields,
            Map<FieldName, String> values,
            @Schema(types = {"string", "null"}) String language) {}

    /**
     * @param answers sealed ones of the address; empty for none
     * @param errand as it was given out with the form, {@code found} the number that fits it
     * @param website empty; it isn't shown to people
     */
    record FilledForm(
            UUID key,
            Map<FieldName, String> values,
            Map<String, IntakeViews.PersonInput> people,
            FormLinkViews.Asker asker,
            String language,
            String access,
            String answers,
            String errand,
            String found,
            String website) {}

    record Leaving(String access, FormLinkViews.LeftAnswers answers) {}

    private FormLink at(String token, AskLimits.What what, HttpServletRequest request) {
        FormLink link = door.link(token);
        limits.take(what, request.getRemoteAddr(), link);
        return link;
    }

    /** Opens a shared form. */
    @GetMapping
    FormLinkViews.AskPage open(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String language,
            @RequestParam(defaultValue = "") String access,
            @RequestParam(required = false) UUID key,
            @RequestParam(defaultValue = "") String answers,
            @AuthenticationPrincipal SignedIn person,
            HttpServletRequest request) {
        FormLinkViews.Asker asker = Optional.ofNullable(person)
                .filter(one -> one.is(Role.REQUESTER))
                .map(one -> new FormLinkViews.Asker(one.displayName(), one.mail()))
                .orElse(FormLinkViews.Asker.NOBODY);
        return pages.page(at(token, AskLimits.What.LOOK, request), language, access, key, answers, asker);
    }

    /** Says the word that a shared form is opened by. */
    @PostMapping("/word")
    FormLinkViews.WordSaid say(@PathVariable String token, @RequestBody Word word, HttpServletRequest request) {
        return door.say(at(token, AskLimits.What.WORD, request), word.word());
    }

    /** What a shared form asks for with these answers. */
    @PostMapping("/state")
    IntakeViews.FormState state(@PathVariable String token, @RequestBody AskedSoFar so, HttpServletRequest request) {
        return pages.state(
                at(token, AskLimits.What.LOOK, request),
                so.access(),
                so.answers().typed());
    }

    /** The agreement's words with the answers in them. */
    @PostMapping("/text")
    IntakeViews.LiveText text(@PathVariable String token, @RequestBody AskedSoFar so, HttpServletRequest request) {
        return pages.text(
                at(token, AskLimits.What.LOOK, request),
                so.access(),
                so.answers().typed());
    }

    /** Reads what was typed for some fields, keeping nothing. */
    @PostMapping("/reading")
    IntakeViews.ReadData reading(@PathVariable String token, @RequestBody ToRead typed, HttpServletRequest request) {
        door.requireOpen(at(token, AskLimits.What.LOOK, request), typed.access());
        Intake.Reading reading = Intake.read(typed.fields(), typed.values(), typing(typed.language()));
        Map<String, String> faults = new LinkedHashMap<>();
        reading.places().forEach((place, fault) -> faults.put(place, fault.toString()));
        return new IntakeViews.ReadData(reading.raw(), faults);
    }

    /** Hands a shared form in. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FormLinkViews.Asked handIn(@PathVariable String token, @RequestBody FilledForm form, HttpServletRequest request) {
        at(token, AskLimits.What.HAND_IN, request);
        return service.handIn(
                token,
                new AskService.HandedIn(
                        form.key(),
                        new FilledForms.Sent(
                                form.values(), form.people(), typing(form.language()), form.language(), ""),
                        form.asker(),
                        form.access(),
                        form.answers(),
                        form.errand(),
                        form.found(),
                        form.website()));
    }

    /** Mails a link by which the form is gone on with. */
    @PostMapping("/leaving")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void leave(@PathVariable String token, @RequestBody Leaving leaving, HttpServletRequest request) {
        at(token, AskLimits.What.MAIL, request);
        service.leave(token, leaving.access(), leaving.answers());
    }

    /**
     * A form that was left, to be gone on with.
     *
     * @param go the secret of the mailed link
     */
    @GetMapping("/left/{go}")
    FormLinkViews.LeftAnswers goOn(@PathVariable String token, @PathVariable String go, HttpServletRequest request) {
        at(token, AskLimits.What.WORD, request);
        return service.goOn(token, go);
    }

    /**
     * The body is the file itself.
     *
     * @param name what it is called, {@code kinds} and {@code megabytes} what its field takes
     */
    @PostMapping("/files")
    @ResponseStatus(HttpStatus.CREATED)
    IntakeViews.KeptFile file(
            @PathVariable String token,
            @RequestParam String name,
            @RequestParam(defaultValue = "") String access,
            @RequestParam(defaultValue = "") List<FileLimits.Kind> kinds,
            @RequestParam(defaultValue = "0") int megabytes,
            HttpServletRequest request)
            throws IOException {
        door.requireOpen(at(token, AskLimits.What.FILE, request), access);
        byte[] bytes = request.getInputStream().readNBytes(OpenFiles.LARGEST + 1);
        turns.acquireUninterruptibly();
        try {
            return new IntakeViews.KeptFile(
                    given.keep(name, bytes, new FileLimits(kinds, megabytes)).answer());
        } finally {
            turns.release();
        }
    }

    /** A picture that was just given, for who has given it. */
    @GetMapping("/pictures/{file}")
    ResponseEntity<byte[]> picture(@PathVariable String token, @PathVariable String file, HttpServletRequest request) {
        at(token, AskLimits.What.LOOK, request);
        Optional<Sha256> hash = Sha256.read(file);
        try {
            byte[] bytes = files.get(hash.orElseThrow());
            boolean png = PictureFile.read(bytes).extension().equals("png");
            return ResponseEntity.ok()
                    .cacheControl(CacheControl.noStore())
                    .contentType(png ? MediaType.IMAGE_PNG : MediaType.IMAGE_JPEG)
                    .body(bytes);
        } catch (RuntimeException e) {
            throw Refusal.notFound(Message.of("picture.none"));
        }
    }

    private static Typing typing(String language) {
        return Typing.of(language)
                .orElseThrow(() -> Refusal.invalid(Message.of("form.language", "language", language)));
    }
}
