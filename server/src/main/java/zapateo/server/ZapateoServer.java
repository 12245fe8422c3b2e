package zapateo.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.type.LogicalType;
import zapateo.lefthand.FigureCheck;
import zapateo.rhythm.FigureBook;

/** The web application round the core. It keeps nothing of a player in memory between requests. */
@SpringBootApplication
public class ZapateoServer {

    public static void main(String[] args) {
        SpringApplication.run(ZapateoServer.class, args);
    }

    /** A number is no text: it is refused instead of being read as one. */
    @Bean
    JsonMapperBuilderCustomizer strictTexts() {
        return builder -> builder.withCoercionConfig(LogicalType.Textual, texts -> {
            for (CoercionInputShape shape : new CoercionInputShape[] {
                CoercionInputShape.Integer, CoercionInputShape.Float, CoercionInputShape.Boolean
            }) {
                texts.setCoercion(shape, CoercionAction.Fail);
            }
        });
    }

    /** A figure that cannot be played stops the start, with its file and what is wrong. */
    @Bean
    FigureBook figureBook() {
        FigureBook book = FigureBook.open();
        book.figures()
                .forEach(figure -> FigureCheck.of(figure).stream().findFirst().ifPresent(fault -> {
                    throw new IllegalStateException(figure.id() + ".yaml: " + fault);
                }));
        return book;
    }
}
