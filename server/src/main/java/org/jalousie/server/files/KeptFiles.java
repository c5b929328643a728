package org.jalousie.server.files;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/** The files of the office, wherever they lie: kept where they are to be now, and found in either place while they are moved. */
@Component
@Primary
class KeptFiles implements FileStore {
    private final FilePlaces places;

    KeptFiles(FilePlaces places) {
        this.places = places;
    }

    @Override
    public Sha256 keep(byte[] bytes) {
        return places.both().now().keep(bytes);
    }

    @Override
    public byte[] get(Sha256 name) {
        return Damaged.unlessWhole(asFound(name), name);
    }

    @Override
    public Optional<byte[]> asFound(Sha256 name) {
        FilePlaces.Both both = places.both();
        Optional<byte[]> here = both.now().asFound(name);
        if (both.other().isEmpty() || FilePlace.isWhole(here, name)) return here;
        Optional<byte[]> there = both.other().get().asFound(name);
        if (FilePlace.isWhole(there, name)) return there;
        // it may have been moved between the two
        return Stream.of(both.now().asFound(name), there, here)
                .flatMap(Optional::stream)
                .findFirst();
    }

    private Stream<FilePlace> all() {
        FilePlaces.Both both = places.both();
        return Stream.concat(Stream.of(both.now()), both.other().stream());
    }

    @Override
    public List<Sha256> untouchedSince(Instant moment) {
        return all().flatMap(place -> place.untouchedSince(moment).stream())
                .distinct()
                .toList();
    }

    @Override
    public void putAside(Sha256 name, Instant since) {
        all().forEach(place -> place.putAside(name, since));
    }

    @Override
    public void bringBack(Sha256 name) {
        all().forEach(place -> place.bringBack(name));
    }
}
