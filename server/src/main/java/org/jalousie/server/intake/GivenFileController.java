package org.jalousie.server.intake;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.FileLimits;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.jalousie.server.web.Download;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Files for forms: taken in, and given out again. */
@RestController
@RequestMapping("/api/v1/form-files")
class GivenFileController {
    private final GivenFiles given;
    private final FileStore files;

    GivenFileController(GivenFiles given, FileStore files) {
        this.given = given;
        this.files = files;
    }

    /**
     * Takes a file that answers a question.
     *
     * @param kinds that the field takes; all for none
     * @param megabytes the largest that it takes; 0 for the usual
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    IntakeViews.KeptFile take(
            @RequestPart MultipartFile file,
            @RequestParam(defaultValue = "") List<FileLimits.Kind> kinds,
            @RequestParam(defaultValue = "0") int megabytes)
            throws IOException {
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
        return new IntakeViews.KeptFile(given.keep(name, file.getBytes(), new FileLimits(kinds, megabytes))
                .answer());
    }

    /**
     * A file that answers a question.
     *
     * @param name under which it is to be kept
     */
    @GetMapping("/{file}")
    ResponseEntity<byte[]> show(@PathVariable String file, @RequestParam(defaultValue = "file") String name) {
        Sha256 hash = Sha256.read(file).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
        try {
            byte[] bytes = files.get(hash);
            return Download.of(bytes, OpenFiles.plain(name, 100), OpenFiles.typeOf(bytes));
        } catch (ServiceAway e) {
            throw e;
        } catch (RuntimeException e) {
            throw Refusal.notFound(Message.of("document.none"));
        }
    }
}
