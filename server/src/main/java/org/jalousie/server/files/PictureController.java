package org.jalousie.server.files;

import java.io.IOException;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.server.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures for forms: taken in, and shown again. */
@RestController
@RequestMapping("/api/v1/pictures")
class PictureController {
    private final FileStore files;

    PictureController(FileStore files) {
        this.files = files;
    }

    /** @param file the picture's name in the store, which is the value of a picture field */
    record KeptPicture(String file, int width, int height) {}

    /** Takes a picture for a form. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    KeptPicture take(@RequestPart MultipartFile file) throws IOException {
        try {
            PictureFile picture = PictureFile.takeIn(file.getBytes());
            return new KeptPicture(files.keep(picture.bytes()).hex(), picture.width(), picture.height());
        } catch (PictureFile.Unacceptable e) {
            throw Refusal.invalid(e.said());
        }
    }

    /** A picture of a form. */
    @GetMapping("/{file}")
    ResponseEntity<byte[]> show(@PathVariable String file) {
        Sha256 name = Sha256.read(file).orElseThrow(() -> Refusal.notFound(Message.of("picture.none")));
        try {
            PictureFile picture = PictureFile.read(files.get(name));
            return ResponseEntity.ok()
                    .contentType(picture.extension().equals("png") ? MediaType.IMAGE_PNG : MediaType.IMAGE_JPEG)
                    .body(picture.bytes());
        } catch (PictureFile.Unacceptable | IllegalStateException e) {
            throw Refusal.notFound(Message.of("picture.none"));
        }
    }
}
