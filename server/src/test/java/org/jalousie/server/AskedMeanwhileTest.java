package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import tools.jackson.databind.JsonNode;

/** What is asked of a job while it is at work. */
class AskedMeanwhileTest {
    private static final Testbed BED = Testbed.start();

    private final AtomicInteger conversions = new AtomicInteger();
    private final CountDownLatch released = new CountDownLatch(1);

    /** The first document fails for good, after a while; later ones are made. */
    private Converter.Made firstFails(GenericApplicationContext context, byte[] word) {
        if (conversions.incrementAndGet() == 1) {
            try {
                released.await(1, TimeUnit.MINUTES);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            throw new Converter.ConversionFailed(Message.of("conversion.no-pages"), false, null);
        }
        Map<String, Converter> all = context.getBeansOfType(Converter.class);
        all.remove("first-fails");
        return all.values().iterator().next().convert(word);
    }

    @Test
    void aCorrectionThatComesWhileTheDocumentFailsIsNotLost() {
        String url = BED.newDatabase("meanwhile");
        int port = TestPaths.freePort();
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(Jalousie.class)
                .initializers(context -> {
                    GenericApplicationContext own = (GenericApplicationContext) context;
                    own.registerBean(
                            "first-fails",
                            Converter.class,
                            () -> word -> firstFails(own, word),
                            bean -> bean.setPrimary(true));
                })
                .run(BED.arguments(
                        port,
                        List.of(
                                "--spring.datasource.url=" + url,
                                "--jalousie.converter.port=" + TestPaths.freePort(),
                                "--jalousie.converter.processes=1")))) {
            assertThat(application.isRunning()).isTrue();
            Office office = new Office("http://127.0.0.1:" + port);
            String request = office.request(
                    office.publish("Asked meanwhile", Office.loanWording()), Office.loanValues("Ida Mrsh"));
            String number = office.agreementOf(request);
            Wait.until("the document to be at work", () -> conversions.get() == 1);
            assertThat(office.client
                            .put(
                                    "/api/v1/requests/" + request,
                                    Map.of("values", Office.loanValues("Ida Marsh"), "people", Map.of()))
                            .status())
                    .isEqualTo(200);
            released.countDown();
            JsonNode made = office.await(number, "CHECK");
            assertThat(made.get("row").get("title").asString()).isEqualTo("Asked meanwhile: Ida Marsh");
            assertThat(made.get("troubles")).isEmpty();
            assertThat(conversions.get()).isEqualTo(2);
        } finally {
            released.countDown();
        }
    }
}
