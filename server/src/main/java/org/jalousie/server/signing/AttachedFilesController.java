package org.jalousie.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.OpenFiles;
import org.jalousie.server.web.Download;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Files that participants bring, and those that others have brought. */
@RestController
@RequestMapping("/api/v1/signing/{token}/files")
class AttachedFilesController {
    private final AttachingService service;
    private final AttachedFiles files;

    AttachedFilesController(AttachingService service, AttachedFiles files) {
        this.service = service;
        this.files = files;
    }

    /** @param answer by which the file is given as the answer to a field */
    record Brought(String answer, String name) {}

    /** The body is the file itself; it is read when its sender may bring one. @param name what it is called */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Brought bring(@PathVariable String token, @RequestParam String name, HttpServletRequest request)
            throws IOException {
        Visit visit = Visit.of(token, request);
        service.requireMayAttach(visit);
        byte[] opened = files.opened(name, request.getInputStream().readNBytes(OpenFiles.LARGEST + 1));
        AttachedFile file = service.attach(visit, name, opened);
        return new Brought(file.answer(), file.name());
    }

    /** A file that a participant attached. */
    @GetMapping("/{file}")
    ResponseEntity<byte[]> fetch(@PathVariable String token, @PathVariable String file, HttpServletRequest request) {
        Sha256 name = Sha256.read(file).orElseThrow(() -> Refusal.notFound(Message.of("attach.gone")));
        AttachingService.Fetched fetched = service.fetch(Visit.of(token, request), name);
        return Download.of(fetched.bytes(), fetched.name(), OpenFiles.typeOf(fetched.bytes()));
    }
}
